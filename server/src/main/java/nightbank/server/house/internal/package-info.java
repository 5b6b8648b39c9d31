/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.house.internal;

import org.jspecify.annotations.NullMarked;
