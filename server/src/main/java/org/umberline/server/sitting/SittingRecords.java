package org.umberline.server.sitting;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.umberline.core.tank.Sign;
import org.umberline.server.http.Refused;
import org.umberline.server.log.LogRecords;
import org.umberline.server.photo.PhotoAlbum;
import org.umberline.server.store.Hashes;
import org.umberline.server.store.Tokens;
import org.umberline.server.store.Transactions;
import org.umberline.server.tank.Role;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.server.tank.TankWrites;

/**
 * Pages for whoever feeds while a keeper is away. A sitter has no account: the link is valid on its
 * days, shows one tank's feeding, and takes that it was fed, how it looked, and photos.
 */
@Service
public class SittingRecords {
  /** The longest absence a link is made for, days. Chosen. */
  private static final int MOST_DAYS = 120;

  private static final int MOST_LINKS = 20;

  private final SitterLinks links;
  private final TankRecords tanks;
  private final TankWrites writes;
  private final LogRecords log;
  private final PhotoAlbum photos;
  private final Transactions transactions;
  private final Clock clock;

  SittingRecords(
      SitterLinks links,
      TankRecords tanks,
      TankWrites writes,
      LogRecords log,
      PhotoAlbum photos,
      Transactions transactions,
      Clock clock) {
    this.links = links;
    this.tanks = tanks;
    this.writes = writes;
    this.log = log;
    this.photos = photos;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** Makes a link for some days and tells its address, this once. */
  public SittingViews.NewSitterLink make(
      UUID tank, UUID keeper, SittingRequests.SitterWanted wanted) {
    LocalDate today = today(tanks.one(tank, keeper));
    boolean inOrder =
        !wanted.to().isBefore(wanted.from())
            && !wanted.to().isBefore(today)
            && wanted.to().isBefore(wanted.from().plusDays(MOST_DAYS));
    if (!inOrder) {
      throw Refused.field(
          "from",
          wanted.from() + " to " + wanted.to(),
          "days from " + today + " on, in order, at most " + MOST_DAYS);
    }
    String token = Tokens.fresh();
    writes.run(
        tank,
        keeper,
        locked -> {
          if (open(tank, today).size() >= MOST_LINKS) {
            throw Refused.field("from", "one more link", "at most " + MOST_LINKS + " a tank");
          }
          links.saveAndFlush(
              new SitterLinkEntity(
                  UUID.randomUUID(),
                  tank,
                  Hashes.sha256(token),
                  keeper,
                  wanted.from(),
                  wanted.to(),
                  wanted.gramsPerDay()));
        });
    return new SittingViews.NewSitterLink("/sit/" + token);
  }

  private LocalDate today(Stored stored) {
    return stored.tank().dayOf(clock.instant());
  }

  private List<SitterLinkEntity> open(UUID tank, LocalDate today) {
    return links.findByTankIdAndToDayGreaterThanEqualOrderByFromDay(tank, today);
  }

  /** The links of a tank whose days are not over. */
  public List<SittingViews.SitterLink> of(UUID tank, UUID keeper) {
    return open(tank, today(tanks.one(tank, keeper))).stream()
        .map(link -> new SittingViews.SitterLink(link.getId(), link.getFromDay(), link.getToDay()))
        .toList();
  }

  /** A link that is withdrawn opens nothing from then on. */
  public void withdraw(UUID tank, UUID keeper, UUID link) {
    writes.run(
        tank,
        keeper,
        locked ->
            links.delete(
                links.findByIdAndTankId(link, tank).orElseThrow(() -> Refused.notFound("link"))));
  }

  private record Open(SitterLinkEntity link, Stored stored) {}

  /** Whoever made the link must still keep the tank, and today must be one of its days. */
  private Open open(String token) {
    return transactions.read(
        () ->
            links
                .findByTokenHash(Hashes.sha256(token))
                .filter(
                    link ->
                        tanks
                            .role(link.getTankId(), link.getMadeBy())
                            .filter(role -> role.includes(Role.CO_KEEPER))
                            .isPresent())
                .map(link -> new Open(link, tanks.one(link.getTankId(), link.getMadeBy())))
                .filter(open -> !today(open.stored).isBefore(open.link.getFromDay()))
                .filter(open -> !today(open.stored).isAfter(open.link.getToDay()))
                .orElseThrow(() -> Refused.notFound("page today")));
  }

  /** What a sitter is shown. */
  public SittingViews.Sitting page(String token) {
    Open open = open(token);
    return new SittingViews.Sitting(
        open.stored.tank().name(),
        open.link.getFromDay(),
        open.link.getToDay(),
        today(open.stored),
        open.link.getGramsPerDay());
  }

  /** Notes what a sitter says; the same id again notes nothing more. */
  public void report(String token, SittingRequests.Report report) {
    Open open = open(token);
    String said =
        switch (report.seen()) {
          case FED -> "did \"fed by the sitter\"";
          case ALL_WELL -> "did \"sitter looked: all well\"";
          case GASPING -> "saw " + Sign.GASPING + " 2";
          case WRONG -> "saw \"" + Sign.SITTER_WORRIED + "\" 2";
        };
    String remark = report.remark().replaceAll("\\s+", " ").strip();
    log.record(
        open.link.getTankId(),
        open.link.getMadeBy(),
        report.id(),
        remark.isEmpty() ? said : said + " # " + remark,
        clock.instant());
  }

  /** Keeps a photo of a sitter's. */
  public void photo(String token, UUID id, byte[] picture) {
    Open open = open(token);
    photos.add(
        open.link.getTankId(),
        open.link.getMadeBy(),
        id,
        "by the sitter",
        clock.instant(),
        picture);
  }
}
