/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.store.internal;

import org.jspecify.annotations.NullMarked;
