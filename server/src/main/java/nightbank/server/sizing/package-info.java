/** Searches over media and containers, and both sides of a question. */
@NullMarked
package nightbank.server.sizing;

import org.jspecify.annotations.NullMarked;
