package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.tank.MedicineCourse;
import org.umberline.core.tank.Quarantine;
import org.umberline.core.tank.TankModel;

/** Medicines and quarantines that run, or ended lately. */
final class Courses {
  private Courses() {}

  static List<Reason> remarks(TankModel tank, LocalDate day) {
    List<Reason> remarks = new ArrayList<>();
    MedicineCourse.running(tank, day)
        .ifPresent(course -> remarks.add(Reason.of(Kind.MEDICINE_RUNS).on(course.to())));
    MedicineCourse.over(tank, day)
        .ifPresent(course -> remarks.add(Reason.of(Kind.MEDICINE_OVER).on(course.to())));
    Quarantine.running(tank, day)
        .ifPresent(apart -> remarks.add(Reason.of(Kind.QUARANTINE_RUNS).on(apart.to())));
    Quarantine.over(tank, day)
        .ifPresent(apart -> remarks.add(Reason.of(Kind.QUARANTINE_OVER).on(apart.to())));
    return List.copyOf(remarks);
  }
}
