/** What people read and did: readings, rounds, events, photographs; the one writer of readings. */
package nightbank.server.log;
