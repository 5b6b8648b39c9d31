/** What a place needs to be kept going: its wood, its heap, its tasks. */
@NullMarked
package nightbank.core.upkeep;

import org.jspecify.annotations.NullMarked;
