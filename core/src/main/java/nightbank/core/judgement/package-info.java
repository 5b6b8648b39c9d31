/** What a run or a night means: ledger, loss, what a loop brought, what a judgement rests on. */
package nightbank.core.judgement;
