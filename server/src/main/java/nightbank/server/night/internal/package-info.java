/** Rows and doors of practised nights. */
@NullMarked
package nightbank.server.night.internal;

import org.jspecify.annotations.NullMarked;
