/**
 * A night's and the coming nights' certainty, verdict, what to do about it, and what a shortfall
 * is.
 */
package nightbank.core.forecast;
