/** Addresses and statements of this room: nobody outside looks in. */
@NullMarked
package nightbank.server.account.internal;

import org.jspecify.annotations.NullMarked;
