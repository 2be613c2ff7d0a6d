package org.umberline.server.site;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.util.UUID;
import org.umberline.server.store.NewRow;

/** What a keeper wrote down of a place where tanks stand. */
@Entity
@Table(name = "site")
public class SiteEntity extends NewRow {
  private UUID keeperId;

  /** As the tanks there name it. */
  private String name;

  private String client = "";
  private String address = "";
  private String contact = "";

  /** Which stop of the round it is, the first being 1; null where there is no order. */
  private Integer stop;

  protected SiteEntity() {}

  public SiteEntity(UUID id, UUID keeperId, String name) {
    super(id);
    this.keeperId = keeperId;
    this.name = name;
  }

  public UUID getKeeperId() {
    return keeperId;
  }

  public String getName() {
    return name;
  }

  public String getClient() {
    return client;
  }

  public String getAddress() {
    return address;
  }

  public String getContact() {
    return contact;
  }

  public Integer getStop() {
    return stop;
  }

  public void describe(String client, String address, String contact, Integer stop) {
    this.client = client;
    this.address = address;
    this.contact = contact;
    this.stop = stop;
  }
}
