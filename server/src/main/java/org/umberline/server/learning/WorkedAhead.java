package org.umberline.server.learning;

import org.umberline.server.tank.TankRecords.Stored;

/** Answers that are worked out before anybody asks, since somebody will. */
public interface WorkedAhead {
  /** Sees to it that the answer to what is asked every day of this tank is known. */
  void workOut(Stored stored);
}
