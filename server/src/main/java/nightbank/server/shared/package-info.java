/** What every feature stands on: problems, clock, allowances, words between nodes. */
@NullMarked
package nightbank.server.shared;

import org.jspecify.annotations.NullMarked;
