/** Long work: asked for, taken by one node, told how far it is, ended; kept in the database. */
@NullMarked
package nightbank.server.job;

import org.jspecify.annotations.NullMarked;
