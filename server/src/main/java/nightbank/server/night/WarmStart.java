package nightbank.server.night;

import nightbank.server.house.Houses;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Problem;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Works the newest houses' coming nights out before anybody comes: the first to ask waits less. */
@Component
class WarmStart {
  private static final int MOST = 4; // by then the virtual machine is warm too

  private final Tonight tonight;
  private final Houses houses;
  private final ForegroundPriority priority;

  WarmStart(Tonight tonight, Houses houses, ForegroundPriority priority) {
    this.tonight = tonight;
    this.houses = houses;
    this.priority = priority;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    Thread warming = new Thread(this::askAll, "warm-start");
    warming.setDaemon(true);
    warming.start();
  }

  private void askAll() {
    for (Houses.Where h : houses.newest(MOST)) {
      priority.giveWay();
      try {
        tonight.ask(h.holding(), h.house());
      } catch (Problem nothingKnown) {
        // its page asks for what is missing
      }
    }
  }
}
