/** Outdoor air, sky, sun, wind and earth. */
@NullMarked
package nightbank.core.weather;

import org.jspecify.annotations.NullMarked;
