/**
 * What was read and done: series of thermometers and their errors, cleaning, events, and the
 * stretches of heating and cooling that they show.
 */
@NullMarked
package nightbank.core.evidence;

import org.jspecify.annotations.NullMarked;
