/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.part.internal;

import org.jspecify.annotations.NullMarked;
