package org.umberline.server.sharing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.store.Hashes;
import org.umberline.server.store.Tokens;
import org.umberline.server.store.Transactions;
import org.umberline.server.tank.Role;
import org.umberline.server.tank.TankEntity;
import org.umberline.server.tank.TankWrites;
import org.umberline.server.tank.Tanks;

/** Who else keeps a tank: given by name or by a link, taken back at any time. */
@Service
public class SharingRecords {
  /** So long a link lets somebody in. Chosen. */
  static final Duration OPEN = Duration.ofDays(7);

  private static final int MOST_CO_KEEPERS = 50;

  private final Tanks tanks;
  private final TankWrites writes;
  private final Keepers keepers;
  private final Invitations invitations;
  private final Transactions transactions;
  private final Clock clock;

  SharingRecords(
      Tanks tanks,
      TankWrites writes,
      Keepers keepers,
      Invitations invitations,
      Transactions transactions,
      Clock clock) {
    this.tanks = tanks;
    this.writes = writes;
    this.keepers = keepers;
    this.invitations = invitations;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** Who keeps a tank, and in which role whoever asks. */
  public SharingViews.Sharing of(UUID tank, UUID keeper) {
    return transactions.read(
        () -> {
          TankEntity entity =
              tanks.findForKeeper(tank, keeper).orElseThrow(() -> Refused.notFound("tank"));
          Role mine = entity.role(keeper).orElseThrow();
          return new SharingViews.Sharing(
              name(entity.getOwnerId()),
              mine,
              entity.getCoKeepers().entrySet().stream()
                  .map(one -> new SharingViews.CoKeeper(name(one.getKey()), one.getValue()))
                  .sorted(Comparator.comparing(SharingViews.CoKeeper::name))
                  .toList(),
              mine == Role.OWNER
                  ? invitations
                      .findByTankIdAndExpiresAtAfterOrderByExpiresAt(tank, clock.instant())
                      .stream()
                      .map(i -> new SharingViews.OpenInvitation(i.getRole(), i.getExpiresAt()))
                      .toList()
                  : List.of());
        });
  }

  private String name(UUID keeper) {
    return keepers.findById(keeper).map(KeeperEntity::getSignInName).orElse("");
  }

  private KeeperEntity named(String name) {
    return keepers
        .findBySignInName(name.strip().toLowerCase(Locale.ROOT))
        .orElseThrow(() -> Refused.field("name", name, "the name that a keeper signs in with"));
  }

  /** Gives a keeper a role, or another one. */
  public void give(UUID tank, UUID owner, String name, Role role, boolean wholeRoom) {
    UUID with = named(name).getId();
    if (with.equals(owner)) {
      throw Refused.field("name", name, "somebody else");
    }
    for (UUID one : meant(tank, owner, wholeRoom)) {
      writes.run(one, owner, entity -> give(entity, with, role));
    }
  }

  private static void give(TankEntity tank, UUID keeper, Role role) {
    if (tank.getCoKeepers().size() >= MOST_CO_KEEPERS && !tank.getCoKeepers().containsKey(keeper)) {
      throw Refused.field("name", "one more", "at most " + MOST_CO_KEEPERS + " a tank");
    }
    tank.give(keeper, role);
  }

  /** A tank, or all of its owner's in the same room. */
  private List<UUID> meant(UUID tank, UUID owner, boolean wholeRoom) {
    return transactions.read(
        () -> {
          TankEntity first =
              tanks.findForKeeper(tank, owner).orElseThrow(() -> Refused.notFound("tank"));
          if (!wholeRoom || first.getSite().isEmpty()) {
            return List.of(tank);
          }
          return tanks.ofKeeper(owner).stream()
              .filter(one -> one.getOwnerId().equals(owner))
              .filter(one -> one.getSite().equals(first.getSite()))
              .map(TankEntity::getId)
              .toList();
        });
  }

  /**
   * Takes a role back; a keeper may give up his own.
   *
   * @throws Refused for everybody else
   */
  public void takeBack(UUID tank, UUID keeper, String name) {
    UUID who = named(name).getId();
    writes.run(
        tank,
        keeper,
        entity -> {
          if (!entity.getOwnerId().equals(keeper) && !who.equals(keeper)) {
            throw Rights.refusal(Role.CO_KEEPER);
          }
          if (!entity.getCoKeepers().containsKey(who)) {
            throw Refused.notFound("keeper of this tank");
          }
          entity.takeBack(who);
        });
  }

  /** Makes somebody who keeps the tank already its owner; who owned it goes on as co-keeper. */
  public void handOver(UUID tank, UUID owner, String name) {
    UUID next = named(name).getId();
    writes.run(
        tank,
        owner,
        entity -> {
          if (!entity.getCoKeepers().containsKey(next)) {
            throw Refused.field("name", name, "somebody who keeps the tank already");
          }
          entity.handOver(next);
          invitations.deleteByTankId(tank);
        });
  }

  /** Makes a link that lets one keeper in, once. */
  public SharingViews.Invitation invite(UUID tank, UUID owner, Role role, boolean wholeRoom) {
    String token = Tokens.fresh();
    Instant expires = clock.instant().plus(OPEN);
    List<UUID> meant = meant(tank, owner, wholeRoom);
    transactions.run(
        () ->
            meant.forEach(
                one ->
                    invitations.saveAndFlush(
                        new InvitationEntity(
                            UUID.randomUUID(), Hashes.sha256(token), one, role, expires))));
    return new SharingViews.Invitation("/join/" + token, expires);
  }

  /** Links to a tank open nothing any more. */
  public void closeInvitations(UUID tank, UUID owner) {
    writes.run(tank, owner, entity -> invitations.deleteByTankId(tank));
  }

  /**
   * Lets a keeper in by a link. A role that is more already stays.
   *
   * @throws Refused with 404 where it was used, has expired or never was
   */
  public SharingViews.Joined join(UUID keeper, String token) {
    return transactions.write(
        () -> {
          List<InvitationEntity> rows =
              invitations.findByTokenHash(Hashes.sha256(token)).stream()
                  .filter(row -> row.getExpiresAt().isAfter(clock.instant()))
                  .toList();
          if (rows.isEmpty()) {
            throw Refused.notFound("invitation; it may have been used or be too old");
          }
          List<String> joined = new ArrayList<>();
          for (InvitationEntity row : rows) {
            TankEntity tank = tanks.findById(row.getTankId()).orElseThrow();
            if (tank.role(keeper).filter(known -> known.includes(row.getRole())).isEmpty()) {
              give(tank, keeper, row.getRole());
            }
            joined.add(tank.getName());
          }
          invitations.deleteAll(rows);
          return new SharingViews.Joined(joined);
        });
  }
}
