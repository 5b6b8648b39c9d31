/** Hours of weather from a service, a file or a few typed facts. */
package nightbank.server.weather;
