/** Searches over media and containers, and both sides of a question. */
package nightbank.server.sizing;
