/** What a store is: shape, medium, faces, place, probes, and what streams through it. */
package nightbank.core.store;
