/** Long work: asked for, taken by one node, told how far it is, ended; kept in the database. */
package nightbank.server.job;
