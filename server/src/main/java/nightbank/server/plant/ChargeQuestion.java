package nightbank.server.plant;

import java.util.UUID;
import nightbank.server.part.PartDesign;
import nightbank.server.store.StoreDesign;

/**
 * A charge to try.
 *
 * @param storeId by which the part names the store that is charged
 * @param part what charges it
 * @param hours that it runs, absent for the usual
 * @param kilograms of wood in a fire's load, absent for its usual
 * @param loads of wood, evenly over the hours, absent for one
 * @param bypassHours so long the smoke goes past the mass at first
 * @param startCelsius even at the start, absent for its floor temperature
 * @param airCelsius round it, absent for its floor temperature
 * @param groundCelsius below it, absent for 8 °C
 * @param holdHours that it is watched afterwards, absent for twelve
 */
public record ChargeQuestion(
    UUID storeId,
    StoreDesign design,
    PartDesign part,
    Double hours,
    Double kilograms,
    Integer loads,
    Double bypassHours,
    Double startCelsius,
    Double airCelsius,
    Double groundCelsius,
    Double holdHours) {}
