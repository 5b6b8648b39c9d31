/** Tonight and the nights ahead: start, weather, parts and plans gathered, simulated and judged. */
package nightbank.server.night;
