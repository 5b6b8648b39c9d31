/** What every feature stands on: problems, clock, allowances, words between nodes. */
package nightbank.server.shared;
