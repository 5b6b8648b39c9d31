/** Rows and doors of wood and tasks. */
@NullMarked
package nightbank.server.upkeep.internal;

import org.jspecify.annotations.NullMarked;
