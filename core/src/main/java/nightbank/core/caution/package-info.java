/** What can hurt people or break things in a build: rules with condition, reason and remedy. */
@NullMarked
package nightbank.core.caution;

import org.jspecify.annotations.NullMarked;
