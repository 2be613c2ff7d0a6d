package org.umberline.server.site;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;

/** Places where tanks stand: who they are looked after for. */
@RestController
@RequestMapping("/api/sites")
class SitesApi {
  private final SiteRecords sites;

  SitesApi(SiteRecords sites) {
    this.sites = sites;
  }

  @GetMapping
  List<SiteViews.SiteDetails> all(@SignedIn.Keeper SignedIn keeper) {
    return sites.all(keeper.keeperId());
  }

  @PutMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void describe(
      @SignedIn.Keeper SignedIn keeper, @Valid @RequestBody SiteRequests.SiteDescription request) {
    sites.describe(keeper.keeperId(), request);
  }
}
