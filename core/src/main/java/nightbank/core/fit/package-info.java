/** Parameters of stores and houses found from evidence, with their doubt. */
@NullMarked
package nightbank.core.fit;

import org.jspecify.annotations.NullMarked;
