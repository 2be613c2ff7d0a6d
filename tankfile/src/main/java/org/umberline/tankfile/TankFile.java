package org.umberline.tankfile;

import java.util.List;
import org.umberline.core.tank.TankModel;

/**
 * A tank file that was read.
 *
 * @param defaultsUsed JSON pointers of what was absent and took its default
 * @param notCounted JSON pointers, each with what stands there, of what the computation does not
 *     count yet
 */
public record TankFile(TankModel tank, List<String> defaultsUsed, List<String> notCounted) {
  public TankFile {
    defaultsUsed = List.copyOf(defaultsUsed);
    notCounted = List.copyOf(notCounted);
  }
}
