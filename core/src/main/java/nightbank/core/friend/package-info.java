/** What an experienced friend would say unasked. */
@NullMarked
package nightbank.core.friend;

import org.jspecify.annotations.NullMarked;
