/** A holding's own media and prices, kept and joined with the catalogue. */
@NullMarked
package nightbank.server.book;

import org.jspecify.annotations.NullMarked;
