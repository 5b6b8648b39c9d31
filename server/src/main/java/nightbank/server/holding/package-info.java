/** Holdings and who belongs to them. */
@NullMarked
package nightbank.server.holding;

import org.jspecify.annotations.NullMarked;
