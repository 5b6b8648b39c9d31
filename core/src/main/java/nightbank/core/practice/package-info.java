/** Nights to be lived before they are real. */
@NullMarked
package nightbank.core.practice;

import org.jspecify.annotations.NullMarked;
