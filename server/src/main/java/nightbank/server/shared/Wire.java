package nightbank.server.shared;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.jdbc.DataSourceBuilder;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.stereotype.Component;

/**
 * Words between all nodes on one database, by PostgreSQL's LISTEN and NOTIFY: said in a
 * transaction, heard when it commits, by this node too. Nothing may rest on a word being heard: a
 * node without its line hears none until it has it again.
 */
@Component
public class Wire {
  private static final Logger LOG = LoggerFactory.getLogger(Wire.class);
  private static final String NAME = "nightbank";
  private static final int LONGEST = 7900; // bytes of a word; PostgreSQL takes 8000
  private static final int WAIT = 500; // ms

  private final DSLContext db;
  private final ApplicationEventPublisher events;
  private final DataSource line;
  private volatile boolean open = true;
  private @Nullable Thread listener;

  Wire(DSLContext db, ApplicationEventPublisher events, DataSource pool) {
    this.db = db;
    this.events = events;
    line = DataSourceBuilder.derivedFrom(pool).type(DriverManagerDataSource.class).build();
  }

  /** What was said on a channel. */
  public record Word(String channel, String text) {}

  /**
   * Says a word to all.
   *
   * @throws IllegalArgumentException for more than PostgreSQL carries
   */
  public void tell(String channel, String text) {
    String said = channel + ' ' + text;
    if (said.length() > LONGEST) {
      throw new IllegalArgumentException("a word of " + said.length() + " letters is too long");
    }
    db.execute("SELECT pg_notify(?, ?)", NAME, said);
  }

  @EventListener(ApplicationReadyEvent.class)
  synchronized void listen() {
    if (listener == null && open) {
      listener = new Thread(this::hear, "wire");
      listener.setDaemon(true);
      listener.start();
    }
  }

  private void hear() {
    while (open) {
      try (Connection c = line.getConnection();
          Statement s = c.createStatement()) {
        s.execute("LISTEN " + NAME);
        PGConnection pg = c.unwrap(PGConnection.class);
        while (open) {
          PGNotification[] heard = pg.getNotifications(WAIT);
          for (int i = 0; heard != null && i < heard.length; i++) {
            pass(heard[i].getParameter());
          }
        }
      } catch (SQLException e) {
        if (open) {
          LOG.warn("the line between nodes is down: {}", e.getMessage());
          pause();
        }
      }
    }
  }

  private void pass(String said) {
    int space = said.indexOf(' ');
    try {
      events.publishEvent(new Word(said.substring(0, space), said.substring(space + 1)));
    } catch (RuntimeException e) {
      LOG.warn("a word was not understood: {}", said, e);
    }
  }

  private static void pause() {
    try {
      TimeUnit.SECONDS.sleep(1);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @EventListener(ContextClosedEvent.class)
  @PreDestroy
  void close() {
    open = false;
  }
}
