/** Tonight and the nights ahead: start, weather, parts and plans gathered, simulated and judged. */
@NullMarked
package nightbank.server.night;

import org.jspecify.annotations.NullMarked;
