/** What stores are filled and wrapped with: value, unit, range and source of every number. */
@NullMarked
package nightbank.core.medium;

import org.jspecify.annotations.NullMarked;
