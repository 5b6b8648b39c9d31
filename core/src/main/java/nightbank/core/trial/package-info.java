/** Runs brought to the same start and compared. */
@NullMarked
package nightbank.core.trial;

import org.jspecify.annotations.NullMarked;
