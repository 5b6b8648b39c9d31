/** Conversions and figures for the edges; inside all is SI and °C. */
@NullMarked
package nightbank.core.unit;

import org.jspecify.annotations.NullMarked;
