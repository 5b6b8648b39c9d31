/** Houses: design, losses, and what was learned of them. */
package nightbank.server.house;
