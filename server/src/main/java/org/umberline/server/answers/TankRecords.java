package org.umberline.server.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.server.failure.Refused;
import org.umberline.server.persistence.LogEntries;
import org.umberline.server.persistence.LogEntryEntity;
import org.umberline.server.persistence.LogLineEntity;
import org.umberline.server.persistence.LogLines;
import org.umberline.server.persistence.TankEntity;
import org.umberline.server.persistence.Tanks;
import org.umberline.tankfile.TankFile;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.TankFileWriter;
import org.umberline.tankfile.shorthand.Addressing;
import org.umberline.tankfile.shorthand.Completions;
import org.umberline.tankfile.shorthand.Household;
import org.umberline.tankfile.shorthand.Reading;
import org.umberline.tankfile.shorthand.Shorthand;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Tanks as their keepers know them: each reached only by its owner, read and written whole. */
@Service
public class TankRecords {
  /** How far a client's clock may be ahead of the server's. */
  private static final Duration CLOCK_TOLERANCE = Duration.ofMinutes(5);

  /**
   * One tank as stored.
   *
   * @param version counts the changes of its make-up
   * @param logRevision counts the changes of its log
   * @param site where it stands, empty when nobody said
   * @param care how it is looked after
   * @param careVersion counts the changes of the care
   */
  public record Stored(
      UUID id,
      int version,
      long logRevision,
      String site,
      Care care,
      int careVersion,
      TankModel tank) {}

  /** What became of a line, in the tank it was meant for. */
  public record Recorded(UUID tank, UUID line, List<String> understood, boolean repeated) {}

  /** A line read for the tank it is meant for. */
  public record ReadFor(UUID tank, String name, Reading reading, List<String> completions) {}

  /** Where a line that begins with another tank's name goes, and what is left of it. */
  private record Addressed(UUID tank, String line) {}

  private record Key(UUID id, int version, long logRevision) {}

  private final Tanks tanks;
  private final LogLines lines;
  private final LogEntries entries;
  private final TransactionTemplate transaction;
  private final JsonMapper json;
  private final Clock clock;
  private final Cache<Key, TankModel> read = Caffeine.newBuilder().maximumSize(500).build();

  public TankRecords(
      Tanks tanks,
      LogLines lines,
      LogEntries entries,
      TransactionTemplate transaction,
      JsonMapper json,
      Clock clock) {
    this.tanks = tanks;
    this.lines = lines;
    this.entries = entries;
    this.transaction = transaction;
    this.json = json;
    this.clock = clock;
  }

  /** All tanks of a keeper, by name. */
  public List<Stored> all(UUID keeper) {
    return transaction.execute(
        status -> tanks.ofKeeper(keeper).stream().map(this::stored).toList());
  }

  /** One tank; somebody else's is as absent as none. */
  public Stored one(UUID id, UUID keeper) {
    return transaction.execute(status -> stored(entity(id, keeper)));
  }

  private TankEntity entity(UUID id, UUID keeper) {
    return tanks.findForKeeper(id, keeper).orElseThrow(() -> Refused.notFound("tank"));
  }

  private Stored stored(TankEntity tank) {
    Key key = new Key(tank.getId(), tank.getVersion(), tank.getLogRevision());
    return new Stored(
        tank.getId(),
        tank.getVersion(),
        tank.getLogRevision(),
        tank.getSite(),
        care(tank),
        tank.getCareVersion(),
        read.get(key, k -> build(tank)));
  }

  private Care care(TankEntity tank) {
    return tank.getCareVersion() == 0 ? Care.NONE : json.readValue(tank.getCare(), Care.class);
  }

  private TankModel build(TankEntity tank) {
    ObjectNode file = (ObjectNode) json.readTree(tank.getMakeUp());
    var log = file.putArray("log");
    entries.standing(tank.getId()).forEach(entry -> log.add(json.readTree(entry.getEntry())));
    try {
      return TankFileReader.read(json.writeValueAsString(file)).tank();
    } catch (TankFileException damaged) {
      throw new IllegalStateException("stored tank " + tank.getId() + ": " + damaged, damaged);
    }
  }

  /**
   * Takes in a tank file.
   *
   * @return the tank; taking in the same id again changes nothing
   */
  public Stored takeIn(UUID id, UUID keeper, String text) {
    TankFile file;
    try {
      file = TankFileReader.read(text);
    } catch (TankFileException refused) {
      throw refused("The tank file can't be taken; nothing was saved.", refused);
    }
    try {
      return transaction.execute(status -> store(id, keeper, file.tank()));
    } catch (DataIntegrityViolationException raced) {
      return one(id, keeper);
    }
  }

  private Stored store(UUID id, UUID keeper, TankModel tank) {
    var known = tanks.findById(id);
    if (known.isPresent()) {
      if (!known.get().getOwnerId().equals(keeper)) {
        throw Refused.conflict("The id is taken; use a new one.");
      }
      return stored(known.get());
    }
    TankEntity entity =
        tanks.saveAndFlush(new TankEntity(id, keeper, tank.name(), makeUp(tank), clock.instant()));
    List<LogEntryEntity> rows = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      rows.add(row(UUID.randomUUID(), id, null, entry, rows.size()));
    }
    entries.saveAll(rows);
    return stored(entity);
  }

  private String makeUp(TankModel tank) {
    ObjectNode tree = TankFileWriter.tree(tank);
    tree.remove("log");
    return json.writeValueAsString(tree);
  }

  private LogEntryEntity row(UUID id, UUID tank, UUID line, LogEntry entry, int place) {
    return new LogEntryEntity(
        id,
        tank,
        line,
        entry.at().toInstant(),
        place,
        json.writeValueAsString(TankFileWriter.entry(entry)));
  }

  /**
   * Changes the make-up.
   *
   * @param version the version the change was made from
   * @throws Refused with 409 when the tank has another by now
   */
  public Stored change(UUID id, UUID keeper, int version, UnaryOperator<TankModel> change) {
    transaction.executeWithoutResult(
        status -> {
          TankEntity entity = entity(id, keeper);
          if (entity.getVersion() != version) {
            throw Refused.conflict(
                "The tank was changed meanwhile: you have version "
                    + version
                    + ", stored is version "
                    + entity.getVersion()
                    + ". Nothing was saved.");
          }
          TankModel changed = change.apply(stored(entity).tank());
          entity.setMakeUp(changed.name(), makeUp(changed));
        });
    return one(id, keeper);
  }

  /** Says where the tank stands. */
  public void setSite(UUID id, UUID keeper, String site) {
    transaction.executeWithoutResult(status -> entity(id, keeper).setSite(site));
  }

  /**
   * Reads a make-up as it would be with the tank's log, without keeping it.
   *
   * @param text a tank file; a log in it is left out
   * @throws Refused naming every problem
   */
  public TankModel withMakeUp(TankModel stored, String text) {
    ObjectNode tree;
    try {
      if (!(json.readTree(text) instanceof ObjectNode object)) {
        throw Refused.field("file", "no object", "a tank file");
      }
      tree = object;
    } catch (JacksonException unreadable) {
      throw Refused.field("file", "no JSON", "a tank file");
    }
    tree.set("log", TankFileWriter.tree(stored).get("log"));
    try {
      return TankFileReader.read(json.writeValueAsString(tree)).tank();
    } catch (TankFileException refused) {
      throw refused("This can't be kept; nothing was saved.", refused);
    }
  }

  private static Refused refused(String detail, TankFileException refused) {
    return new Refused(
        HttpStatus.BAD_REQUEST,
        detail,
        refused.problems().stream()
            .map(p -> new Refused.Field(p.pointer(), p.found(), p.allowed()))
            .toList());
  }

  /** Lets another keeper see the tank and write in it; only its owner may. */
  public void share(UUID id, UUID owner, UUID with) {
    transaction.executeWithoutResult(
        status -> {
          TankEntity entity = entity(id, owner);
          if (!entity.getOwnerId().equals(owner)) {
            throw Refused.notFound("tank");
          }
          entity.addCoKeeper(with);
        });
  }

  /** Says how the tank is cared for, from the version it was read at. */
  public Stored setCare(UUID id, UUID keeper, int version, UnaryOperator<Care> change) {
    return transaction.execute(
        status -> {
          TankEntity entity = entity(id, keeper);
          if (entity.getCareVersion() != version) {
            throw Refused.conflict(
                "How the tank is cared for was changed meanwhile: you have version "
                    + version
                    + ", stored is version "
                    + entity.getCareVersion()
                    + ". Nothing was saved.");
          }
          Stored before = stored(entity);
          entity.setCare(json.writeValueAsString(change.apply(before.care())));
          tanks.flush();
          return stored(entity);
        });
  }

  /**
   * Reads a line of shorthand as of {@code typedAt}, without keeping anything. A line that begins
   * with the name of another tank of the keeper is read for that one.
   */
  public ReadFor read(UUID id, UUID keeper, String line, Instant typedAt) {
    Addressed to = addressed(id, keeper, line);
    Stored stored = one(to.tank(), keeper);
    Reading reading = read(stored, to.line(), typedAt);
    String before = line.substring(0, line.length() - to.line().length());
    List<String> completions =
        Completions.of(to.line(), stored.tank()).stream().map(whole -> before + whole).toList();
    return new ReadFor(to.tank(), stored.tank().name(), reading, completions);
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

  private Reading read(Stored stored, String line, Instant typedAt) {
    Instant now = clock.instant();
    if (typedAt.isAfter(now.plus(CLOCK_TOLERANCE))) {
      throw Refused.field("at", typedAt.toString(), "not later than now, " + now);
    }
    Instant at = typedAt.isAfter(now) ? now : typedAt;
    TankModel tank = stored.tank();
    return Shorthand.read(
        line, tank, at.atZone(tank.timeZone()), new Household(stored.care().bucketLitres()));
  }

  /**
   * Records a line, in the tank it is meant for.
   *
   * @param lineId made by the client; the same id again records nothing more
   * @param typedAt when the keeper typed it, which is when it happened unless it says otherwise
   */
  public Recorded record(UUID id, UUID keeper, UUID lineId, String line, Instant typedAt) {
    Addressed to = addressed(id, keeper, line);
    return once(() -> store(to.tank(), keeper, lineId, to.line(), typedAt));
  }

  /** Does what stores something under a client's id; of two at once the second finds the first. */
  private <T> T once(Supplier<T> store) {
    try {
      return transaction.execute(status -> store.get());
    } catch (DataIntegrityViolationException raced) {
      return transaction.execute(status -> store.get());
    }
  }

  private Recorded store(UUID id, UUID keeper, UUID lineId, String line, Instant typedAt) {
    Reading reading = read(stored(entity(id, keeper)), line, typedAt);
    var known = lines.findById(lineId);
    if (known.isPresent()) {
      if (!known.get().getTankId().equals(id) || !known.get().getLine().equals(line)) {
        throw Refused.conflict("The id stands for another line already. Nothing was saved.");
      }
      return new Recorded(id, lineId, reading.understood(), true);
    }
    if (!reading.problems().isEmpty()) {
      throw new Refused(
          HttpStatus.BAD_REQUEST,
          String.join(" ", reading.problems()) + " Nothing was saved.",
          List.of(new Refused.Field("text", line, String.join(" ", reading.problems()))));
    }
    if (reading.entries().isEmpty()) {
      throw Refused.field("text", "empty", "what was measured or done");
    }
    keep(id, keeper, lineId, line, typedAt, reading.entries());
    return new Recorded(id, lineId, reading.understood(), false);
  }

  private void keep(
      UUID id, UUID keeper, UUID lineId, String line, Instant typedAt, List<LogEntry> read) {
    lines.saveAndFlush(new LogLineEntity(lineId, id, line, typedAt, clock.instant(), keeper));
    List<LogEntryEntity> rows = new ArrayList<>();
    for (LogEntry entry : read) {
      UUID entryId =
          UUID.nameUUIDFromBytes((lineId + "/" + rows.size()).getBytes(StandardCharsets.UTF_8));
      rows.add(row(entryId, id, lineId, entry, rows.size()));
    }
    entries.saveAll(rows);
    tanks.logChanged(id);
  }

  /**
   * Keeps entries that were read from elsewhere, under one line that says where.
   *
   * @param lineId made by the client; the same id again records nothing more
   * @return how many are kept under the id
   */
  public int keepEntries(
      UUID id, UUID keeper, UUID lineId, String origin, List<LogEntry> entriesRead) {
    return once(
        () -> {
          entity(id, keeper);
          if (lines.findByIdAndTankId(lineId, id).isEmpty()) {
            keep(id, keeper, lineId, origin, clock.instant(), entriesRead);
          }
          return entriesRead.size();
        });
  }

  /**
   * Corrects an entry: a new line takes its place, both stay known.
   *
   * @param lineId made by the client; the same id again corrects nothing more
   */
  public Recorded correct(
      UUID id, UUID keeper, UUID entryId, UUID lineId, String line, Instant typedAt) {
    return once(
        () -> {
          entity(id, keeper);
          LogEntryEntity entry =
              entries.findByIdAndTankId(entryId, id).orElseThrow(() -> Refused.notFound("entry"));
          if (entry.isWithdrawn() && !lineId.equals(entry.getReplacedBy())) {
            throw Refused.conflict(
                "The entry was corrected or withdrawn meanwhile. Nothing was saved.");
          }
          Recorded recorded = store(id, keeper, lineId, line, typedAt);
          if (!entry.isWithdrawn()) {
            entry.withdraw(clock.instant(), keeper, lineId);
            entries.saveAndFlush(entry);
          }
          return recorded;
        });
  }

  /** Withdraws one entry, or puts it back; saying the same again changes nothing. */
  public void setEntryWithdrawn(UUID id, UUID keeper, UUID entryId, boolean withdrawn) {
    transaction.executeWithoutResult(
        status -> {
          entity(id, keeper);
          LogEntryEntity entry =
              entries.findByIdAndTankId(entryId, id).orElseThrow(() -> Refused.notFound("entry"));
          if (!withdrawn && entry.getLineId() != null) {
            // what went with its whole line comes back with it
            lines.findById(entry.getLineId()).ifPresent(LogLineEntity::putBack);
          }
          if (entry.isWithdrawn() == withdrawn) {
            tanks.logChanged(id);
            return;
          }
          if (!withdrawn && entry.getReplacedBy() != null) {
            throw Refused.conflict(
                "The entry was corrected; withdraw the correction to have it back.");
          }
          if (withdrawn) {
            entry.withdraw(clock.instant(), keeper, null);
          } else {
            entry.putBack();
          }
          entries.saveAndFlush(entry);
          tanks.logChanged(id);
        });
  }

  /** Withdraws a line, or puts it back; saying the same again changes nothing. */
  public void setWithdrawn(UUID id, UUID keeper, UUID lineId, boolean withdrawn) {
    transaction.executeWithoutResult(
        status -> {
          entity(id, keeper);
          LogLineEntity line =
              lines.findByIdAndTankId(lineId, id).orElseThrow(() -> Refused.notFound("line"));
          if (line.isWithdrawn() == withdrawn) {
            return;
          }
          if (withdrawn) {
            line.withdraw(clock.instant(), keeper);
            entries.findByReplacedBy(lineId).forEach(LogEntryEntity::putBack);
          } else {
            line.putBack();
            entries
                .findByReplacedBy(lineId)
                .forEach(corrected -> corrected.withdraw(clock.instant(), keeper, lineId));
          }
          lines.saveAndFlush(line);
          tanks.logChanged(id);
        });
  }
}
