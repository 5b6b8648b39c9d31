/** What is taken where nobody says otherwise: every default with unit, range and source. */
@NullMarked
package nightbank.core.usual;

import org.jspecify.annotations.NullMarked;
