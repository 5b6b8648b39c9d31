/** The benches: a charge tried on a store, a heap asked what it gives. */
@NullMarked
package nightbank.server.plant;

import org.jspecify.annotations.NullMarked;
