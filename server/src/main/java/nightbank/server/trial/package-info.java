/** Trials of two arrangements. */
package nightbank.server.trial;
