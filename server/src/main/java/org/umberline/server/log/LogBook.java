package org.umberline.server.log;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.store.Transactions;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.shorthand.Shorthand;
import org.umberline.tankfile.shorthand.ShorthandWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A tank's log as a book: what was said, by whom, and what became of it. */
@Service
public class LogBook {
  /** Entries after which a page of the book ends; those of one moment stand on one page. */
  private static final int PAGE = 200;

  private final LogEntries entries;
  private final LogLines lines;
  private final Keepers keepers;
  private final Transactions transactions;
  private final JsonMapper json;

  public LogBook(
      LogEntries entries,
      LogLines lines,
      Keepers keepers,
      Transactions transactions,
      JsonMapper json) {
    this.json = json;
    this.entries = entries;
    this.lines = lines;
    this.keepers = keepers;
    this.transactions = transactions;
  }

  /**
   * What is looked for.
   *
   * @param kind a log type, empty for all
   * @param text words that the entry holds, empty for any
   * @param before only entries before this instant, for the next page
   * @param sinceChange only what came with or after the last water change
   */
  public record Wanted(String kind, String text, Optional<Instant> before, boolean sinceChange) {}

  private record Known(
      Map<UUID, LogLineEntity> lines, Map<UUID, String> names, List<LogEntryEntity> entries) {}

  /** The newest entries first, withdrawn ones among them. */
  public LogViews.LogPage page(Stored stored, Wanted wanted) {
    Known known = transactions.read(() -> known(stored.id()));
    TankModel tank = stored.tank();
    Set<UUID> replacing =
        known.entries.stream()
            .map(LogEntryEntity::getReplacedBy)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    Map<UUID, List<String>> byLine = new HashMap<>();
    for (LogEntryEntity row : known.entries) {
      if (replacing.contains(row.getLineId())) {
        byLine
            .computeIfAbsent(row.getLineId(), any -> new ArrayList<>())
            .add(Shorthand.words(TankFileReader.entry(json.readTree(row.getEntry())), tank));
      }
    }
    Optional<Instant> since = wanted.sinceChange ? lastChange(tank) : Optional.empty();
    List<LogViews.LogEntry> found = new ArrayList<>();
    Instant last = Instant.MAX;
    boolean more = false;
    for (LogEntryEntity row : known.entries) {
      if (wanted.before.isPresent() && !row.getHappenedAt().isBefore(wanted.before.get())
          || since.isPresent() && row.getHappenedAt().isBefore(since.get())) {
        continue;
      }
      JsonNode written = json.readTree(row.getEntry());
      if (!wanted.kind.isEmpty() && !written.path("type").asString().equals(wanted.kind)) {
        continue;
      }
      LogViews.LogEntry view = view(row, written, tank, known, byLine);
      if (!matches(view, wanted)) {
        continue;
      }
      if (found.size() >= PAGE && row.getHappenedAt().isBefore(last)) {
        more = true;
        break;
      }
      last = row.getHappenedAt();
      found.add(view);
    }
    return new LogViews.LogPage(found, more);
  }

  private Known known(UUID tank) {
    Map<UUID, LogLineEntity> byId =
        lines.findByTankId(tank).stream()
            .collect(Collectors.toMap(LogLineEntity::getId, Function.identity()));
    List<LogEntryEntity> rows = entries.findByTankIdOrderByHappenedAtDescPlaceDesc(tank);
    Set<UUID> wrote =
        Stream.concat(
                byId.values().stream()
                    .flatMap(line -> Stream.of(line.getRecordedBy(), line.getWithdrawnBy())),
                rows.stream().map(LogEntryEntity::getWithdrawnBy))
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    Map<UUID, String> names =
        keepers.findAllById(wrote).stream()
            .collect(Collectors.toMap(KeeperEntity::getId, KeeperEntity::getSignInName));
    return new Known(byId, names, rows);
  }

  private static Optional<Instant> lastChange(TankModel tank) {
    return tank.log().stream()
        .filter(LogEntry.WaterChange.class::isInstance)
        .map(entry -> entry.at().toInstant())
        .reduce((a, b) -> b);
  }

  private static boolean matches(LogViews.LogEntry view, Wanted wanted) {
    String text = wanted.text.strip().toLowerCase(Locale.ROOT);
    return text.isEmpty()
        || view.words().toLowerCase(Locale.ROOT).contains(text)
        || view.note().toLowerCase(Locale.ROOT).contains(text);
  }

  private static LogViews.LogEntry view(
      LogEntryEntity row,
      JsonNode written,
      TankModel tank,
      Known known,
      Map<UUID, List<String>> byLine) {
    LogEntry entry = TankFileReader.entry(written);
    LogLineEntity line = known.lines.get(row.getLineId());
    LogLineEntity replacing = known.lines.get(row.getReplacedBy());
    boolean withdrawn = row.isWithdrawn() || line != null && line.isWithdrawn();
    Instant withdrawnAt =
        row.isWithdrawn() || line == null ? row.getWithdrawnAt() : line.getWithdrawnAt();
    UUID withdrawnBy =
        row.isWithdrawn() || line == null ? row.getWithdrawnBy() : line.getWithdrawnBy();
    LocalDate day = tank.dayOf(entry.at().toInstant());
    return new LogViews.LogEntry(
        row.getId(),
        row.getLineId(),
        tank.timeOf(entry),
        day,
        written.path("type").asString(),
        Shorthand.words(entry, tank),
        entry.note(),
        ShorthandWriter.write(entry, tank),
        line == null ? "" : known.names.getOrDefault(line.getRecordedBy(), ""),
        line == null ? null : line.getRecordedAt(),
        withdrawn,
        withdrawn ? known.names.getOrDefault(withdrawnBy, "") : "",
        withdrawn ? withdrawnAt : null,
        replacing == null || !row.isWithdrawn()
            ? List.of()
            : byLine.getOrDefault(replacing.getId(), List.of()));
  }
}
