/** Trials of two arrangements. */
@NullMarked
package nightbank.server.trial;

import org.jspecify.annotations.NullMarked;
