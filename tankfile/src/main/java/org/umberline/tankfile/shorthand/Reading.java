package org.umberline.tankfile.shorthand;

import java.util.List;
import org.umberline.core.tank.LogEntry;

/**
 * What a line of shorthand was read as. A line with any problem has no entries: it is taken whole
 * or not at all.
 *
 * @param entries the entries, in the order they were written
 * @param understood one sentence for each entry
 * @param remarks what is worth a second look but not wrong
 * @param problems what cannot be read, each with what could stand there instead
 */
public record Reading(
    List<LogEntry> entries, List<String> understood, List<String> remarks, List<String> problems) {
  public Reading {
    entries = problems.isEmpty() ? List.copyOf(entries) : List.of();
    understood = problems.isEmpty() ? List.copyOf(understood) : List.of();
    remarks = List.copyOf(remarks);
    problems = List.copyOf(problems);
  }
}
