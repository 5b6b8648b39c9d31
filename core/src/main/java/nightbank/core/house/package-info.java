/** A greenhouse: its skin, ground, inner mass and plants, and its balance of heat and moisture. */
@NullMarked
package nightbank.core.house;

import org.jspecify.annotations.NullMarked;
