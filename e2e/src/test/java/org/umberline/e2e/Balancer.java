package org.umberline.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;

/** Hands connections out to processes in turn, past those that don't answer: any balancer. */
final class Balancer implements AutoCloseable {
  private final ServerSocket door = new ServerSocket(0);
  private final ExecutorService pumps = Executors.newCachedThreadPool();
  private final List<Integer> ports;
  private final AtomicInteger turn = new AtomicInteger();

  Balancer(List<Integer> ports) throws IOException {
    this.ports = ports;
    pumps.execute(this::accept);
  }

  String address() {
    return "http://127.0.0.1:" + door.getLocalPort();
  }

  private void accept() {
    try {
      while (true) {
        Socket visitor = door.accept();
        pumps.execute(() -> serve(visitor));
      }
    } catch (IOException closed) {
      // no more visitors
    }
  }

  private void serve(Socket visitor) {
    int first = turn.getAndIncrement();
    for (int i = 0; i < ports.size(); i++) {
      try {
        Socket process = new Socket("127.0.0.1", ports.get((first + i) % ports.size()));
        pumps.execute(() -> pump(visitor, process));
        pump(process, visitor);
        return;
      } catch (IOException notThere) {
        // the next
      }
    }
    close(visitor);
  }

  private static void pump(Socket from, Socket to) {
    try {
      from.getInputStream().transferTo(to.getOutputStream());
    } catch (IOException ended) {
      // either side
    }
    close(from);
    close(to);
  }

  private static void close(Socket socket) {
    try {
      socket.close();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Override
  public void close() throws IOException {
    door.close();
    pumps.shutdownNow();
  }
}
