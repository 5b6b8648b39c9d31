/** Hours of weather from a service, a file or a few typed facts. */
@NullMarked
package nightbank.server.weather;

import org.jspecify.annotations.NullMarked;
