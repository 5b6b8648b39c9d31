/** How a store is now and becomes: one model for each kind, its grid and its state. */
@NullMarked
package nightbank.core.store.model;

import org.jspecify.annotations.NullMarked;
