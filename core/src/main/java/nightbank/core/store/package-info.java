/** What a store is: shape, medium, faces, place, probes, and what streams through it. */
@NullMarked
package nightbank.core.store;

import org.jspecify.annotations.NullMarked;
