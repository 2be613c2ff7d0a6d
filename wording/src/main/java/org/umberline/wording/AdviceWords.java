package org.umberline.wording;

import java.util.List;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advice.DueWork;
import org.umberline.core.planning.Advice.Help;
import org.umberline.core.planning.Reason;
import org.umberline.core.tank.TankModel;

/** An advice in words. */
public final class AdviceWords {
  private final ReasonWords reasons;
  private final LeverWords levers;

  public AdviceWords(TankModel tank) {
    reasons = new ReasonWords(tank);
    levers = new LeverWords(tank);
  }

  /** Why the verdict is what it is, the leading reason first. */
  public List<Phrase> why(Advice advice) {
    return advice.today().why().stream().map(reasons::of).toList();
  }

  public List<Phrase> remarks(Advice advice) {
    return advice.remarks().stream().map(reasons::of).toList();
  }

  /** One reason as a sentence, or two. */
  public Phrase reason(Reason reason) {
    return reasons.of(reason);
  }

  /** What else helps, and how much is to be changed then. */
  public Phrase help(Help help) {
    return levers.help(help);
  }

  /** What is done, one thing or two, without what it leaves. */
  public Phrase levers(Help help) {
    return levers.levers(help);
  }

  /** Work ahead that the plan counts on, without its day. */
  public Phrase work(DueWork work) {
    return levers.work(work);
  }
}
