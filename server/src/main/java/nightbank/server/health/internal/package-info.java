/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.health.internal;

import org.jspecify.annotations.NullMarked;
