package nightbank.server.plant;

import nightbank.server.store.StoreDesign;

/**
 * A charge to try.
 *
 * @param startCelsius even at the start, absent for its floor temperature
 * @param airCelsius round it, absent for its floor temperature
 * @param groundCelsius below it, absent for 8 °C
 * @param holdHours that it is watched afterwards, absent for twelve
 */
public record ChargeQuestion(
    StoreDesign design,
    Double startCelsius,
    Double airCelsius,
    Double groundCelsius,
    Double holdHours) {}
