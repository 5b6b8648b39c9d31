/** Nights and days as they were: ledgers, statements, what the nights say of a house. */
package nightbank.server.history;
