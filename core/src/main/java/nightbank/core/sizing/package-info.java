/** How much of what holds a hard night or a winter, and both sides of where people disagree. */
@NullMarked
package nightbank.core.sizing;

import org.jspecify.annotations.NullMarked;
