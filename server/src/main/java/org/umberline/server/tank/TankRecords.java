package org.umberline.server.tank;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.server.http.Refused;
import org.umberline.server.store.Documents;
import org.umberline.server.store.Hashes;
import org.umberline.server.store.Transactions;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.TankFileWriter;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Tanks as their keepers know them: each reached only by its owner, read and written whole. */
@Service
public class TankRecords {
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

  /** So long a deleted tank can be brought back. */
  public static final Duration BROUGHT_BACK = Duration.ofDays(30);

  private record Key(UUID id, int version, long logRevision) {}

  private record MakeUpKey(UUID id, int version) {}

  private final Tanks tanks;
  private final TankLog log;
  private final Transactions transactions;
  private final TankWrites writes;
  private final JsonMapper json;
  private final Documents documents;
  private final Clock clock;
  private final Cache<Key, TankModel> read = Caffeine.newBuilder().maximumSize(500).build();
  private final Cache<MakeUpKey, TankModel> latelyRead =
      Caffeine.newBuilder().maximumSize(500).build();

  public TankRecords(
      Tanks tanks,
      TankLog log,
      Transactions transactions,
      TankWrites writes,
      JsonMapper json,
      Documents documents,
      Clock clock) {
    this.tanks = tanks;
    this.log = log;
    this.transactions = transactions;
    this.writes = writes;
    this.json = json;
    this.documents = documents;
    this.clock = clock;
  }

  /** All tanks of a keeper that are looked after, by name. */
  public List<Stored> all(UUID keeper) {
    return transactions.read(() -> tanks.ofKeeper(keeper).stream().map(this::stored).toList());
  }

  /** The tanks of a keeper that are put away, by name. */
  public List<Stored> putAway(UUID keeper) {
    return transactions.read(() -> tanks.putAwayOf(keeper).stream().map(this::stored).toList());
  }

  /** A deleted tank, and when it is removed for good. */
  public record Deleted(UUID id, String name, Instant goneAt) {}

  /** A keeper's tanks by name, those that are put away last; nothing else of them is read. */
  public List<TankViews.TankName> names(UUID keeper) {
    Map<UUID, Role> given = given(keeper);
    return transactions.read(
        () ->
            tanks.listOf(keeper).stream()
                .map(
                    tank ->
                        new TankViews.TankName(
                            tank.id(),
                            tank.name(),
                            tank.site(),
                            tank.putAwayAt() != null,
                            given.getOrDefault(tank.id(), Role.OWNER)))
                .toList());
  }

  /** The tanks that a keeper deleted and may still bring back. */
  public List<Deleted> deleted(UUID owner) {
    return transactions.read(
        () ->
            tanks.findByOwnerIdAndDeletedAtIsNotNullOrderByName(owner).stream()
                .map(t -> new Deleted(t.getId(), t.getName(), t.getDeletedAt().plus(BROUGHT_BACK)))
                .toList());
  }

  /** Puts a tank away: nobody is asked about it until it is taken out again. */
  public void setPutAway(UUID id, UUID keeper, boolean away) {
    writes.run(
        id,
        keeper,
        entity -> {
          entity.setPutAwayAt(away ? clock.instant() : null);
        });
  }

  /**
   * Deletes a tank, or brings it back.
   *
   * @throws Refused with 404 for all but its owner
   */
  public void setDeleted(UUID id, UUID owner, boolean deleted) {
    transactions.run(
        () -> {
          TankEntity entity =
              tanks
                  .findByIdAndOwnerId(id, owner)
                  .orElseThrow(() -> Refused.notFound("tank of yours"));
          if (deleted != (entity.getDeletedAt() != null)) {
            entity.setDeletedAt(deleted ? clock.instant() : null);
          }
        });
  }

  /** One tank; somebody else's is as absent as none. */
  public Stored one(UUID id, UUID keeper) {
    return transactions.read(() -> stored(entity(id, keeper)));
  }

  private TankEntity entity(UUID id, UUID keeper) {
    return tanks.findForKeeper(id, keeper).orElseThrow(() -> Refused.notFound("tank"));
  }

  /**
   * What the words of a log line are read against: the make-up as it is, the log as it was when the
   * tank was last looked at. Noting a line must not wait for the whole log to be read again.
   */
  public TankModel wordsOf(TankEntity tank) {
    TankModel known = latelyRead.getIfPresent(new MakeUpKey(tank.getId(), tank.getVersion()));
    return known != null ? known : stored(tank).tank();
  }

  /** The same for a keeper, with what else of the tank a line's reading depends on. */
  public WordsOf wordsOf(UUID id, UUID keeper) {
    return transactions.read(
        () -> {
          TankEntity tank = entity(id, keeper);
          return new WordsOf(wordsOf(tank), tank.getVersion(), care(tank));
        });
  }

  /** A tank to read words against, and the version of its make-up. */
  public record WordsOf(TankModel tank, int version, Care care) {}

  private Stored stored(TankEntity tank) {
    Key key = new Key(tank.getId(), tank.getVersion(), tank.getLogRevision());
    TankModel model = read.get(key, k -> build(tank));
    latelyRead.put(new MakeUpKey(tank.getId(), tank.getVersion()), model);
    return new Stored(
        tank.getId(),
        tank.getVersion(),
        tank.getLogRevision(),
        tank.getSite(),
        care(tank),
        tank.getCareVersion(),
        model);
  }

  private Care care(TankEntity tank) {
    return tank.getCareVersion() == 0
        ? Care.NONE
        : documents.read(tank.getCare(), KeptCare.class).asCare();
  }

  private TankModel build(TankEntity tank) {
    ObjectNode file = (ObjectNode) json.readTree(tank.getMakeUp());
    var entries = file.putArray("log");
    log.standing(tank.getId()).forEach(entry -> entries.add(json.readTree(entry)));
    try {
      return TankFileReader.read(json.writeValueAsString(file)).tank();
    } catch (TankFileException damaged) {
      throw new IllegalStateException("stored tank " + tank.getId() + ": " + damaged, damaged);
    }
  }

  /**
   * Takes in a tank file.
   *
   * @return the tank; taking in the same file under the same id again changes nothing
   * @throws Refused with every problem of the file, or because the id stands for another tank
   */
  public Stored takeIn(UUID id, UUID keeper, String text) {
    TankModel tank = read(text);
    String hash = Hashes.sha256(text);
    return transactions.write(() -> store(id, keeper, tank, hash));
  }

  /**
   * The tank of a file; nothing is kept of it.
   *
   * @throws Refused with every problem of the file
   */
  public TankModel read(String text) {
    try {
      return TankFileReader.read(text).tank();
    } catch (TankFileException refused) {
      int count = refused.problems().size();
      throw refused(
          "This file has %s; nothing was imported."
              .formatted(count == 1 ? "a problem" : count + " problems"),
          refused);
    }
  }

  private Stored store(UUID id, UUID keeper, TankModel tank, String hash) {
    var known = tanks.findById(id);
    if (known.isPresent()) {
      if (known.get().getOwnerId().equals(keeper) && known.get().getTakenInSha256().equals(hash)) {
        return stored(known.get());
      }
      throw writes.taken(id, keeper);
    }
    TankEntity entity =
        tanks.saveAndFlush(
            new TankEntity(id, keeper, tank.name(), makeUp(tank), clock.instant())
                .takenInFrom(hash));
    log.takeIn(id, tank.log());
    writes.changed(id, keeper);
    return stored(entity);
  }

  private String makeUp(TankModel tank) {
    ObjectNode tree = TankFileWriter.tree(tank);
    tree.remove("log");
    return json.writeValueAsString(tree);
  }

  /**
   * Changes the make-up.
   *
   * @param version the version the change was made from
   * @throws Refused with 409 when the tank has another by now
   */
  public Stored change(UUID id, UUID keeper, int version, UnaryOperator<TankModel> change) {
    return writes.write(
        id,
        keeper,
        entity -> {
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
          tanks.flush();
          return stored(entity);
        });
  }

  /** Says where the tank stands. */
  public void setSite(UUID id, UUID keeper, String site) {
    writes.run(
        id,
        keeper,
        entity -> {
          entity.setSite(site);
        });
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
    return Refused.file(
        detail,
        refused.problems().stream()
            .map(p -> new Refused.Field(p.pointer(), p.found(), p.allowed()))
            .toList(),
        refused.moreNotShown());
  }

  /** What a keeper may do in a tank, also in one of his own that he deleted; empty for nothing. */
  public Optional<Role> role(UUID id, UUID keeper) {
    return transactions.read(
        () ->
            tanks.existsByIdAndOwnerId(id, keeper)
                ? Optional.of(Role.OWNER)
                : tanks.roleOfCoKeeper(id, keeper));
  }

  /** What a keeper may do in the tanks of others, by their ids. */
  public Map<UUID, Role> given(UUID keeper) {
    return transactions.read(
        () ->
            tanks.givenTo(keeper).stream()
                .collect(Collectors.toMap(Tanks.Given::id, Tanks.Given::role)));
  }

  /** Says how the tank is cared for, from the version it was read at. */
  public Stored setCare(UUID id, UUID keeper, int version, UnaryOperator<Care> change) {
    return writes.write(
        id,
        keeper,
        entity -> {
          if (entity.getCareVersion() != version) {
            throw Refused.conflict(
                "How the tank is cared for was changed meanwhile: you have version "
                    + version
                    + ", stored is version "
                    + entity.getCareVersion()
                    + ". Nothing was saved.");
          }
          Stored before = stored(entity);
          entity.setCare(documents.write(KeptCare.of(change.apply(before.care()))));
          tanks.flush();
          return stored(entity);
        });
  }
}
