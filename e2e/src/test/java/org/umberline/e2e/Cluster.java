package org.umberline.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.umberline.server.PrivateDatabase;

/** Databases on this machine that replicate one another; each may be written to (Galera). */
final class Cluster implements AutoCloseable {
  private static final int NODES = 3;

  /** One node's ports beside that for its clients. */
  private record Ports(int group, int increments, int snapshots) {}

  private final List<PrivateDatabase> nodes = new ArrayList<>();
  private final List<Ports> ports = new ArrayList<>();

  Cluster(String name) {
    for (int i = 0; i < NODES; i++) {
      ports.add(new Ports(free(), free(), free()));
      PrivateDatabase node = new PrivateDatabase(name + "-" + i).start();
      node.stop();
      nodes.add(node);
      node.takePasswordOf(nodes.get(0));
    }
    for (int i = 0; i < NODES; i++) {
      join(i, i == 0);
    }
  }

  /** A port that no client's connection is given while its node is away. */
  private static int free() {
    Random random = new Random();
    while (true) {
      int port = 10_000 + random.nextInt(10_000);
      try (ServerSocket free = new ServerSocket(port)) {
        return free.getLocalPort();
      } catch (IOException taken) {
        // another
      }
    }
  }

  /** Where an application finds them: the node named first, and in its absence the others. */
  Map<String, String> from(int first) {
    String hosts =
        IntStream.range(0, NODES)
            .mapToObj(i -> "127.0.0.1:" + nodes.get((first + i) % NODES).port())
            .collect(Collectors.joining(","));
    return Map.of(
        "UMBERLINE_DATABASE_URL",
        "jdbc:mariadb:sequential://" + hosts + "/umberline",
        "UMBERLINE_DATABASE_PASSWORD",
        nodes.get(0).password());
  }

  PrivateDatabase node(int i) {
    return nodes.get(i);
  }

  /** Starts a node, which takes over what the others have. */
  void join(int i, boolean asTheFirst) {
    Ports own = ports.get(i);
    List<String> options =
        new ArrayList<>(
            List.of(
                "--wsrep-on=ON",
                "--wsrep-provider=/usr/lib/galera/libgalera_smm.so",
                "--wsrep-cluster-name=umberline",
                "--wsrep-cluster-address=gcomm://"
                    + ports.stream()
                        .map(one -> "127.0.0.1:" + one.group)
                        .collect(Collectors.joining(",")),
                "--wsrep-node-address=127.0.0.1:" + own.group,
                "--wsrep-node-name=node" + i,
                "--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:%d;ist.recv_addr=127.0.0.1:%d;gcache.size=64M"
                    .formatted(own.group, own.increments),
                "--wsrep-sst-method=rsync",
                "--wsrep-sst-receive-address=127.0.0.1:" + own.snapshots,
                "--binlog-format=ROW",
                "--innodb-autoinc-lock-mode=2"));
    if (asTheFirst) {
      options.add("--wsrep-new-cluster");
    }
    nodes.get(i).start(options);
  }

  @Override
  public void close() {
    nodes.forEach(PrivateDatabase::close);
  }
}
