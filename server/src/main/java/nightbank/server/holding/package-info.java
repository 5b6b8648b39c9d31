/** Holdings and who belongs to them. */
package nightbank.server.holding;
