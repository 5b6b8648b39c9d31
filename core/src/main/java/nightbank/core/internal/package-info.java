/** Solvers and tables; not exported, and no other module may name them. */
@NullMarked
package nightbank.core.internal;

import org.jspecify.annotations.NullMarked;
