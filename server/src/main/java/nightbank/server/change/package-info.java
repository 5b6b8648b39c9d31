/**
 * What people changed, and how it is taken back: every feature notes how a thing was before and
 * after, and says how to put it there again.
 */
@NullMarked
package nightbank.server.change;

import org.jspecify.annotations.NullMarked;
