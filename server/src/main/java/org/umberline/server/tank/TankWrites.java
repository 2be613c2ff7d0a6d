package org.umberline.server.tank;

import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Function;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.umberline.server.http.Refused;
import org.umberline.server.store.Transactions;

/**
 * The one way to write in a tank: its row is taken first, so writers in one tank stand in line, and
 * only who may write in it gets so far.
 */
@Component
public class TankWrites {
  private final Transactions transactions;
  private final Tanks tanks;
  private final ApplicationEventPublisher events;

  TankWrites(Transactions transactions, Tanks tanks, ApplicationEventPublisher events) {
    this.transactions = transactions;
    this.tanks = tanks;
    this.events = events;
  }

  /**
   * Writes in a tank that the keeper may write in, with its row locked; {@code work} may run
   * several times, but only once with effect.
   *
   * @throws Refused with 404 for everybody else
   */
  public <T> T write(UUID tank, UUID keeper, Function<TankEntity, T> work) {
    return transactions.write(
        () -> {
          T done =
              work.apply(
                  tanks.lockForKeeper(tank, keeper).orElseThrow(() -> Refused.notFound("tank")));
          changed(tank, keeper);
          return done;
        });
  }

  /** Tells, once the transaction under way is through, that something was written in a tank. */
  void changed(UUID tank, UUID keeper) {
    events.publishEvent(new TankChanged(tank, keeper));
  }

  /** The same for work that gives nothing back. */
  public void run(UUID tank, UUID keeper, Consumer<TankEntity> work) {
    write(
        tank,
        keeper,
        entity -> {
          work.accept(entity);
          return entity;
        });
  }

  /**
   * Says no to an id that exists.
   *
   * @param tank the tank it belongs to
   * @param keeper who sent it
   * @return 404 where that tank is somebody else's, else 409
   */
  public Refused taken(UUID tank, UUID keeper) {
    return tanks.findForKeeper(tank, keeper).isPresent()
        ? Refused.conflict("The id stands for something else already. Nothing was saved.")
        : Refused.notFound("id of yours");
  }
}
