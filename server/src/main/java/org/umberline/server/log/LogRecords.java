package org.umberline.server.log;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.Role;
import org.umberline.server.tank.TankEntity;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.WordsOf;
import org.umberline.server.tank.TankWrites;
import org.umberline.server.tank.Tanks;
import org.umberline.tankfile.shorthand.Addressing;
import org.umberline.tankfile.shorthand.Completions;
import org.umberline.tankfile.shorthand.Household;
import org.umberline.tankfile.shorthand.Reading;
import org.umberline.tankfile.shorthand.Shorthand;

/** The log of a tank as it is written: lines are added once, and corrected. */
@Service
public class LogRecords {
  /** How far a client's clock may be ahead of the server's. */
  private static final Duration CLOCK_TOLERANCE = Duration.ofMinutes(5);

  /** What became of a line, in the tank it was meant for. */
  public record Recorded(UUID tank, UUID line, List<String> understood, boolean repeated) {}

  /** A line read for the tank it is meant for. */
  public record ReadFor(UUID tank, String name, Reading reading, List<String> completions) {}

  /** Where a line that begins with another tank's name goes, and what is left of it. */
  private record Addressed(UUID tank, String line) {}

  private final TankRecords records;
  private final Tanks tanks;
  private final LogLines lines;
  private final LogEntries entries;
  private final StoredLog stored;
  private final StandingEntries standing;
  private final TankWrites writes;
  private final Clock clock;

  LogRecords(
      TankRecords records,
      Tanks tanks,
      LogLines lines,
      LogEntries entries,
      StoredLog stored,
      StandingEntries standing,
      TankWrites writes,
      Clock clock) {
    this.records = records;
    this.tanks = tanks;
    this.lines = lines;
    this.entries = entries;
    this.stored = stored;
    this.standing = standing;
    this.writes = writes;
    this.clock = clock;
  }

  /**
   * Reads a line of shorthand as of {@code typedAt}, without keeping anything. A line that begins
   * with the name of another tank of the keeper is read for that one.
   */
  public ReadFor read(UUID id, UUID keeper, String line, Instant typedAt) {
    Addressed to = addressed(id, keeper, line);
    WordsOf words = records.wordsOf(to.tank(), keeper);
    Reading reading = read(words.tank(), words.care(), to.line(), typedAt);
    String before = line.substring(0, line.length() - to.line().length());
    List<String> completions =
        Completions.of(to.line(), words.tank()).stream().map(whole -> before + whole).toList();
    return new ReadFor(to.tank(), words.tank().name(), reading, completions);
  }

  private Addressed addressed(UUID id, UUID keeper, String line) {
    List<Tanks.Named> known = tanks.namesOfKeeper(keeper);
    return Addressing.of(line, known.stream().map(Tanks.Named::name).toList())
        .map(
            to ->
                new Addressed(
                    known.stream()
                        .filter(tank -> tank.name().equals(to.name()))
                        .findFirst()
                        .orElseThrow()
                        .id(),
                    to.rest()))
        .orElse(new Addressed(id, line));
  }

  private Reading read(TankModel tank, Care care, String line, Instant typedAt) {
    Instant now = clock.instant();
    if (typedAt.isAfter(now.plus(CLOCK_TOLERANCE))) {
      throw Refused.field("at", typedAt.toString(), "not later than now, " + now);
    }
    Instant at = typedAt.isAfter(now) ? now : typedAt;
    return Shorthand.read(
        line, tank, at.atZone(tank.timeZone()), new Household(care.bucketLitres()));
  }

  /**
   * Records a line, in the tank it is meant for.
   *
   * @param lineId made by the client; the same line under the same id again records nothing more
   * @param typedAt when the keeper typed it, which is when it happened unless it says otherwise
   */
  public Recorded record(UUID id, UUID keeper, UUID lineId, String line, Instant typedAt) {
    Addressed to = addressed(id, keeper, line);
    return writing(
        to.tank(),
        keeper,
        to.line(),
        typedAt,
        (tank, reading) ->
            repeated(tank.getId(), keeper, lineId, to.line(), reading)
                .orElseGet(
                    () -> {
                      requireWhole(to.line(), reading);
                      return keep(
                          new LogLineEntity(
                              lineId, tank.getId(), to.line(), typedAt, clock.instant(), keeper),
                          reading.entries(),
                          reading.understood());
                    }));
  }

  private interface Write {
    Recorded in(TankEntity tank, Reading reading);
  }

  /** Reads the line before the tank is locked, and again only if its make-up changed meanwhile. */
  private Recorded writing(UUID id, UUID keeper, String line, Instant typedAt, Write write) {
    WordsOf before = records.wordsOf(id, keeper);
    Reading reading = read(before.tank(), before.care(), line, typedAt);
    return writes.write(
        id,
        keeper,
        tank -> {
          // the line may be meant for another tank than the one it was sent to
          if (tank.role(keeper).filter(role -> role.includes(Role.HELPER)).isEmpty()) {
            throw new Refused(
                HttpStatus.FORBIDDEN,
                "You may look at " + tank.getName() + ", and note nothing in it.",
                List.of());
          }
          return write.in(
              tank,
              tank.getVersion() == before.version()
                  ? reading
                  : read(records.wordsOf(tank), before.care(), line, typedAt));
        });
  }

  /** The answer to a line that was sent before; empty when its id is new. */
  private Optional<Recorded> repeated(
      UUID tank, UUID keeper, UUID lineId, String line, Reading reading) {
    return lines
        .findById(lineId)
        .map(
            known -> {
              if (known.getTankId().equals(tank)
                  && known.getLine().equals(line)
                  && known.getCorrects() == null) {
                return new Recorded(tank, lineId, reading.understood(), true);
              }
              throw writes.taken(known.getTankId(), keeper);
            });
  }

  private static void requireWhole(String line, Reading reading) {
    if (!reading.problems().isEmpty()) {
      String problems = String.join(" ", reading.problems());
      throw new Refused(
          HttpStatus.BAD_REQUEST,
          problems + " Nothing was saved.",
          List.of(new Refused.Field("text", line, problems)));
    }
    if (reading.entries().isEmpty()) {
      throw Refused.field("text", "empty", "what was measured or done");
    }
  }

  private Recorded keep(LogLineEntity line, List<LogEntry> read, List<String> understood) {
    lines.saveAndFlush(line);
    List<LogEntryEntity> rows = new ArrayList<>();
    for (LogEntry entry : read) {
      UUID entryId =
          UUID.nameUUIDFromBytes(
              (line.getId() + "/" + rows.size()).getBytes(StandardCharsets.UTF_8));
      rows.add(stored.row(entryId, line.getTankId(), line.getId(), entry, rows.size()));
    }
    entries.saveAllAndFlush(rows);
    tanks.logChanged(line.getTankId());
    return new Recorded(line.getTankId(), line.getId(), understood, false);
  }

  /**
   * Keeps entries that were read from elsewhere, under one line that says where.
   *
   * @param lineId made by the client; the same id again, with entries that hold all that was kept
   *     under it, records nothing more
   * @param said every entry that was sent
   * @param fresh those of them that are to be kept, given what is in the log
   * @return how many are kept under the id
   */
  public int keepEntries(
      UUID id, UUID keeper, UUID lineId, List<LogEntry> said, List<LogEntry> fresh) {
    return writes.write(
        id,
        keeper,
        tank -> {
          var known = lines.findById(lineId);
          if (known.isPresent()) {
            Set<String> sent = said.stream().map(stored::written).collect(Collectors.toSet());
            List<LogEntryEntity> kept = entries.findByLineIdOrderByPlace(lineId);
            if (known.get().getTankId().equals(id)
                && kept.stream().map(LogEntryEntity::getEntry).allMatch(sent::contains)) {
              return kept.size();
            }
            throw writes.taken(known.get().getTankId(), keeper);
          }
          if (fresh.isEmpty()) {
            throw Refused.field(
                "csv", "nothing that is not in the log yet", "at least one good row");
          }
          Instant now = clock.instant();
          keep(
              new LogLineEntity(
                  lineId, id, "table of " + fresh.size() + " entries", now, now, keeper),
              fresh,
              List.of());
          return fresh.size();
        });
  }

  /**
   * Corrects an entry: a new line takes its place, both stay known.
   *
   * @param lineId made by the client; the same id again corrects nothing more
   * @throws Refused with 409 and what stands, when the entry was corrected or taken out meanwhile
   */
  public Recorded correct(
      UUID id, UUID keeper, UUID entryId, UUID lineId, String line, Instant typedAt) {
    return writing(
        id,
        keeper,
        line,
        typedAt,
        (tank, reading) -> {
          LogEntryEntity entry = standing.entry(id, entryId);
          var known = lines.findById(lineId);
          if (known.isPresent()) {
            if (!known.get().getTankId().equals(id)
                || !known.get().getLine().equals(line)
                || !entryId.equals(known.get().getCorrects())) {
              throw writes.taken(known.get().getTankId(), keeper);
            }
            if (known.get().isWithdrawn()) {
              throw standing.refusal(tank, entry);
            }
            return new Recorded(id, lineId, reading.understood(), true);
          }
          if (!standing.is(entry)) {
            throw standing.refusal(tank, entry);
          }
          requireWhole(line, reading);
          Recorded recorded =
              keep(
                  new LogLineEntity(lineId, id, line, typedAt, clock.instant(), keeper)
                      .correcting(entryId),
                  reading.entries(),
                  reading.understood());
          entry.withdraw(clock.instant(), keeper, lineId);
          entries.saveAndFlush(entry);
          return recorded;
        });
  }
}
