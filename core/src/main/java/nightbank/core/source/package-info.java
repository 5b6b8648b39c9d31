/** What makes heat: fires, flames, heaters, elements, the sun, heaps, heat pumps. */
@NullMarked
package nightbank.core.source;

import org.jspecify.annotations.NullMarked;
