package org.umberline.server.balance;

import java.time.LocalDate;
import java.util.List;
import org.umberline.core.planning.Try;

/**
 * What is tried in a named what-if, as it is kept.
 *
 * @param fraction of the routine; null with {@code everyDays} and {@code nextOn} where none is made
 * @param tries what else is done otherwise
 */
record KeptWhatIf(Double fraction, Double everyDays, LocalDate nextOn, List<Tried> tries) {
  record Tried(Try.Kind kind, String id, double amount) {}

  static KeptWhatIf of(BalanceRequests.Try tried) {
    List<BalanceRequests.Tried> tries = tried.tries() == null ? List.of() : tried.tries();
    return new KeptWhatIf(
        tried.fraction(),
        tried.everyDays(),
        tried.nextOn(),
        tries.stream().map(t -> new Tried(t.kind(), t.id(), t.amount())).toList());
  }

  List<BalanceRequests.Tried> asTried() {
    return tries == null
        ? List.of()
        : tries.stream().map(t -> new BalanceRequests.Tried(t.kind(), t.id(), t.amount())).toList();
  }
}
