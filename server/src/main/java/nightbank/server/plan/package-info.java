/** Changes that are meant to be made, and whether the nights then showed what was told of them. */
@NullMarked
package nightbank.server.plan;

import org.jspecify.annotations.NullMarked;
