/** Who asks: people, how they sign in, what they may do in which holding, their units. */
@NullMarked
package nightbank.server.account;

import org.jspecify.annotations.NullMarked;
