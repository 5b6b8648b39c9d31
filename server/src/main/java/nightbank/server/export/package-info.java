/** What goes out and comes in whole: a holding as one file, tables, a calendar. */
package nightbank.server.export;
