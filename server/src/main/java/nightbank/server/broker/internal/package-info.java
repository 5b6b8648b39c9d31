/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.broker.internal;

import org.jspecify.annotations.NullMarked;
