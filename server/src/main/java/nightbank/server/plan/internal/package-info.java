/** Rows and doors of plans. */
@NullMarked
package nightbank.server.plan.internal;

import org.jspecify.annotations.NullMarked;
