/**
 * A night's and the coming nights' certainty, verdict, what to do about it, and what a shortfall
 * is.
 */
@NullMarked
package nightbank.core.forecast;

import org.jspecify.annotations.NullMarked;
