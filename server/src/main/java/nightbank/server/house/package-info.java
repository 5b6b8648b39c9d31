/** Houses: design, losses, and what was learned of them. */
@NullMarked
package nightbank.server.house;

import org.jspecify.annotations.NullMarked;
