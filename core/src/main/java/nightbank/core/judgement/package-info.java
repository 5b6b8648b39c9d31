/** What a run or a night means: ledger, loss, what a loop brought, what a judgement rests on. */
@NullMarked
package nightbank.core.judgement;

import org.jspecify.annotations.NullMarked;
