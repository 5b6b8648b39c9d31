/** Stores: design, probes, appraisal, the sheet to build by. */
@NullMarked
package nightbank.server.store;

import org.jspecify.annotations.NullMarked;
