package org.umberline.server.upkeep;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.stereotype.Service;
import org.umberline.core.upkeep.Schedule;
import org.umberline.server.http.Refused;
import org.umberline.server.store.Hashes;
import org.umberline.server.store.Tokens;
import org.umberline.server.store.Transactions;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.wording.WorkWords;

/** Upkeep as an iCalendar file (RFC 5545), also at a private address that can be revoked. */
@Service
public class Calendars {
  private static final int DAYS = 56;

  private final TankRecords tanks;
  private final UpkeepAnswers upkeep;
  private final CalendarFeeds feeds;
  private final Transactions transactions;
  private final Clock clock;

  public Calendars(
      TankRecords tanks,
      UpkeepAnswers upkeep,
      CalendarFeeds feeds,
      Transactions transactions,
      Clock clock) {
    this.tanks = tanks;
    this.upkeep = upkeep;
    this.feeds = feeds;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** The work of all tanks of a keeper, a whole-day event for each time. */
  public String of(UUID keeper) {
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Umberline//Upkeep 1//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    for (Stored stored : tanks.all(keeper)) {
      UpkeepAnswers.LaidOut laidOut = upkeep.layOut(stored, DAYS);
      for (Schedule.Occurrence o : laidOut.schedule().occurrences()) {
        String what = laidOut.words(o.work(), o.on()).plain();
        VEvent event = new VEvent(o.on(), stored.tank().name() + ": " + what);
        String id = stored.id() + "/" + o.work().key() + "/" + o.on();
        event.add(
            new Uid(UUID.nameUUIDFromBytes(id.getBytes(StandardCharsets.UTF_8)) + "@umberline"));
        o.moved()
            .map(moved -> WorkWords.moved(moved, stored.care()).plain())
            .ifPresent(why -> event.add(new Description(why)));
        calendar.add(event);
      }
    }
    StringWriter text = new StringWriter();
    try {
      new CalendarOutputter(false).output(calendar, text);
    } catch (IOException e) {
      throw new IllegalStateException("a string could not be written to", e);
    }
    return text.toString();
  }

  /** When the keeper's address was made; empty when there is none. */
  public Optional<Instant> since(UUID keeper) {
    return feeds.findById(keeper).map(CalendarFeedEntity::getMadeAt);
  }

  /** Makes a new address, told this once; one made before opens nothing any more. */
  public String renew(UUID keeper) {
    String token = Tokens.fresh();
    transactions.write(
        () -> feeds.save(new CalendarFeedEntity(keeper, Hashes.sha256(token), clock.instant())));
    return token;
  }

  /** Closes the address. */
  public void revoke(UUID keeper) {
    transactions.run(() -> feeds.deleteById(keeper));
  }

  /** The calendar behind an address. */
  public String behind(String token) {
    return feeds
        .findByTokenHash(Hashes.sha256(token))
        .map(feed -> of(feed.getKeeperId()))
        .orElseThrow(() -> Refused.notFound("calendar"));
  }
}
