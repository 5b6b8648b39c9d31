/** How a store is now and becomes: one model for each kind, its grid and its state. */
package nightbank.core.store.model;
