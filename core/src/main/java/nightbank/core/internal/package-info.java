/** Solvers and tables; not exported, and no other module may name them. */
package nightbank.core.internal;
