/**
 * What is wrong or will be soon: seen by the server, told to people until one of them has seen it.
 */
@NullMarked
package nightbank.server.alarm;

import org.jspecify.annotations.NullMarked;
