package org.umberline.server.site;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.umberline.server.store.Transactions;

/** What a keeper wrote down of the places where tanks stand; nobody else reads it. */
@Service
public class SiteRecords {
  private final Sites sites;
  private final Transactions transactions;

  SiteRecords(Sites sites, Transactions transactions) {
    this.sites = sites;
    this.transactions = transactions;
  }

  /** All that were described. */
  public List<SiteViews.SiteDetails> all(UUID keeper) {
    return sites.findByKeeperId(keeper).stream().map(SiteRecords::view).toList();
  }

  /** One of them. */
  public Optional<SiteViews.SiteDetails> one(UUID keeper, String name) {
    return sites.findByKeeperIdAndName(keeper, name).map(SiteRecords::view);
  }

  private static SiteViews.SiteDetails view(SiteEntity site) {
    return new SiteViews.SiteDetails(
        site.getName(), site.getClient(), site.getAddress(), site.getContact(), site.getStop());
  }

  /** Describes a place anew; said twice it is the same. */
  public void describe(UUID keeper, SiteRequests.SiteDescription said) {
    transactions.run(
        () -> {
          String name = said.site().strip();
          SiteEntity site =
              sites
                  .findByKeeperIdAndName(keeper, name)
                  .orElseGet(() -> new SiteEntity(UUID.randomUUID(), keeper, name));
          site.describe(
              said.client().strip(), said.address().strip(), said.contact().strip(), said.stop());
          sites.saveAndFlush(site);
        });
  }
}
