package org.umberline.server.tank;

import java.util.List;
import java.util.UUID;
import org.umberline.core.tank.LogEntry;

/** The log of a tank, as far as the tank itself needs it. To be called within a transaction. */
public interface TankLog {
  /** The entries that stand, each as the tank file writes it, in the order of their instants. */
  List<String> standing(UUID tank);

  /** Keeps the entries that came with a tank file. */
  void takeIn(UUID tank, List<LogEntry> entries);
}
