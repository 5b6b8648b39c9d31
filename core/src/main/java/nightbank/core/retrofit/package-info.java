/** What next: changes that a grower can make to a place, judged over a winter and ranked. */
@NullMarked
package nightbank.core.retrofit;

import org.jspecify.annotations.NullMarked;
