/** A holding's own media and prices, kept and joined with the catalogue. */
package nightbank.server.book;
