package org.umberline.tankfile;

/**
 * One thing wrong with a file.
 *
 * @param pointer JSON pointer to it; a missing key's points at where it would stand, a whole-file
 *     fault's is empty
 * @param found what stands there, shortened
 * @param allowed what may
 */
public record Problem(String pointer, String found, String allowed) {
  private static final int LONGEST = 80;

  public Problem {
    if (found.length() > LONGEST) {
      found = found.substring(0, LONGEST - 1) + "…";
    }
  }

  @Override
  public String toString() {
    return (pointer.isEmpty() ? "the file" : pointer)
        + ": found "
        + found
        + "; allowed: "
        + allowed;
  }
}
