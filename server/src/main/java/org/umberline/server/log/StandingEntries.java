package org.umberline.server.log;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.umberline.core.tank.TankModel;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.Role;
import org.umberline.server.tank.TankEntity;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankWrites;
import org.umberline.server.tank.Tanks;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.shorthand.Shorthand;
import tools.jackson.databind.json.JsonMapper;

/**
 * Which entries of a log stand. They are taken out and put back, one or a whole line; of an entry
 * and the lines that correct it only one ever stands.
 */
@Component
public class StandingEntries {
  private final TankRecords records;
  private final Tanks tanks;
  private final LogLines lines;
  private final LogEntries entries;
  private final TankWrites writes;
  private final JsonMapper json;
  private final Clock clock;

  StandingEntries(
      TankRecords records,
      Tanks tanks,
      LogLines lines,
      LogEntries entries,
      TankWrites writes,
      JsonMapper json,
      Clock clock) {
    this.records = records;
    this.tanks = tanks;
    this.lines = lines;
    this.entries = entries;
    this.writes = writes;
    this.json = json;
    this.clock = clock;
  }

  /**
   * An entry of a tank.
   *
   * @throws Refused when there is none
   */
  LogEntryEntity entry(UUID tank, UUID entry) {
    return entries.findByIdAndTankId(entry, tank).orElseThrow(() -> Refused.notFound("entry"));
  }

  /** Whether an entry stands: neither it nor its line is withdrawn. */
  boolean is(LogEntryEntity entry) {
    return !entry.isWithdrawn()
        && (entry.getLineId() == null
            || lines.findById(entry.getLineId()).filter(LogLineEntity::isWithdrawn).isEmpty());
  }

  /** Whatever stands of an entry and all that ever corrected it. */
  private List<LogEntryEntity> standingFor(LogEntryEntity entry) {
    List<LogEntryEntity> standing = new ArrayList<>();
    if (is(entry)) {
      standing.add(entry);
    }
    for (LogLineEntity line : lines.findByCorrects(entry.getId())) {
      for (LogEntryEntity correction : entries.findByLineIdOrderByPlace(line.getId())) {
        standing.addAll(standingFor(correction));
      }
    }
    return standing;
  }

  /** Says no to a change of what does not stand any more, and what does. */
  Refused refusal(TankEntity tank, LogEntryEntity entry) {
    TankModel words = records.wordsOf(tank);
    String standing =
        standingFor(entry).stream()
            .map(row -> Shorthand.words(TankFileReader.entry(json.readTree(row.getEntry())), words))
            .collect(Collectors.joining("; "));
    return Refused.conflict(
        "The entry was changed meanwhile. "
            + (standing.isEmpty() ? "Nothing stands in its place" : "What stands now: " + standing)
            + ". Nothing was saved.");
  }

  /** The entry that the line of {@code entry} corrects. */
  private Optional<LogEntryEntity> corrected(UUID line) {
    return Optional.ofNullable(line)
        .flatMap(lines::findById)
        .map(LogLineEntity::getCorrects)
        .flatMap(entries::findById);
  }

  /** Takes one entry out, or puts it back; saying the same again changes nothing. */
  public void setEntryWithdrawn(UUID id, UUID keeper, UUID entryId, boolean withdrawn) {
    changing(
        id,
        keeper,
        tank -> {
          LogEntryEntity entry = entry(id, entryId);
          if (withdrawn != is(entry)) {
            return false;
          }
          if (withdrawn) {
            entry.withdraw(clock.instant(), keeper, null);
          } else {
            requireRoomFor(tank, entry);
            // what went with its whole line comes back with it
            Optional.ofNullable(entry.getLineId())
                .flatMap(lines::findById)
                .filter(LogLineEntity::isWithdrawn)
                .ifPresent(
                    line -> {
                      line.putBack();
                      lines.saveAndFlush(line);
                    });
            entry.putBack();
          }
          entries.saveAndFlush(entry);
          return true;
        });
  }

  /**
   * An entry comes back only while nothing stands in its place: neither a correction of it nor the
   * entry that its own line corrects, or another correction of that.
   */
  private void requireRoomFor(TankEntity tank, LogEntryEntity entry) {
    boolean correctedNow =
        lines.findByCorrects(entry.getId()).stream()
            .flatMap(line -> entries.findByLineIdOrderByPlace(line.getId()).stream())
            .anyMatch(correction -> !standingFor(correction).isEmpty());
    if (correctedNow) {
      throw refusal(tank, entry);
    }
    requireRoomForLine(tank, entry.getLineId());
  }

  private void requireRoomForLine(TankEntity tank, UUID line) {
    corrected(line)
        .ifPresent(
            original -> {
              boolean taken =
                  standingFor(original).stream().anyMatch(row -> !line.equals(row.getLineId()));
              if (taken) {
                throw refusal(tank, original);
              }
            });
  }

  /** Takes a line out, or puts it back; saying the same again changes nothing. */
  public void setWithdrawn(UUID id, UUID keeper, UUID lineId, boolean withdrawn) {
    changing(
        id,
        keeper,
        tank -> {
          LogLineEntity line =
              lines.findByIdAndTankId(lineId, id).orElseThrow(() -> Refused.notFound("line"));
          boolean may =
              tank.role(keeper).filter(role -> role.includes(Role.CO_KEEPER)).isPresent()
                  || keeper.equals(line.getRecordedBy());
          if (!may) {
            throw new Refused(
                HttpStatus.FORBIDDEN, "You may take back only what you noted yourself.", List.of());
          }
          if (line.isWithdrawn() == withdrawn) {
            return false;
          }
          if (withdrawn) {
            for (LogEntryEntity own : entries.findByLineIdOrderByPlace(lineId)) {
              if (standingFor(own).stream().anyMatch(row -> !lineId.equals(row.getLineId()))) {
                throw refusal(tank, own);
              }
            }
            line.withdraw(clock.instant(), keeper);
            entries.findByReplacedBy(lineId).forEach(LogEntryEntity::putBack);
          } else {
            // the entry it corrects stands again since; it makes room, other corrections do not
            LogEntryEntity original = corrected(lineId).orElse(null);
            if (original != null && is(original)) {
              original.withdraw(clock.instant(), keeper, lineId);
              entries.saveAndFlush(original);
            }
            requireRoomForLine(tank, lineId);
            line.putBack();
          }
          lines.saveAndFlush(line);
          return true;
        });
  }

  private void changing(UUID id, UUID keeper, Function<TankEntity, Boolean> change) {
    writes.write(
        id,
        keeper,
        tank -> {
          boolean changed = change.apply(tank);
          if (changed) {
            tanks.logChanged(id);
          }
          return changed;
        });
  }
}
