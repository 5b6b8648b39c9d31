/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.device.internal;

import org.jspecify.annotations.NullMarked;
