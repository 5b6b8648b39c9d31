/** Nights and days as they were: ledgers, statements, what the nights say of a house. */
@NullMarked
package nightbank.server.history;

import org.jspecify.annotations.NullMarked;
