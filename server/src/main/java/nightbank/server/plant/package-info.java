/** The benches: a charge tried on a store, a heap asked what it gives. */
package nightbank.server.plant;
