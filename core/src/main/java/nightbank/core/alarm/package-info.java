/** When somebody is to be woken, and when it can wait. */
@NullMarked
package nightbank.core.alarm;

import org.jspecify.annotations.NullMarked;
