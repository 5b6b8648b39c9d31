/** Stores: design, probes, appraisal, the sheet to build by. */
package nightbank.server.store;
