/** What keeps a place going: wood that lies and dries, tasks that come round. */
@NullMarked
package nightbank.server.upkeep;

import org.jspecify.annotations.NullMarked;
