/** What people read and did: readings, rounds, events, photographs; the one writer of readings. */
@NullMarked
package nightbank.server.log;

import org.jspecify.annotations.NullMarked;
