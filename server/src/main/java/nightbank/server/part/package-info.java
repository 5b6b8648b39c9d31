/** What makes, moves and controls heat: sealed designs, and how they become parts of a system. */
@NullMarked
package nightbank.server.part;

import org.jspecify.annotations.NullMarked;
