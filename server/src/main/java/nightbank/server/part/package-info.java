/** What makes, moves and controls heat: sealed designs, and how they become parts of a system. */
package nightbank.server.part;
