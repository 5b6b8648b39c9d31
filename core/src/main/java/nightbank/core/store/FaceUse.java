package nightbank.core.store;

import nightbank.core.medium.Range;

/** What a store's warm face can serve for, and how warm it may be for that, °C. */
public enum FaceUse {
  SEED_TRAYS(18, 22, 30, "bottom heat for germination; estimate, roots take harm above 35"),
  LIE_ON(27, 33, 43, "burns in eight hours from 43, ISO 13732-1; warm to the skin from about 27"),
  SIT_ON(27, 38, 48, "burns in ten minutes from 48, ISO 13732-1"),
  DRY_HERBS(30, 38, 45, "scent leaves above about 45; estimate"),
  DRY_FRUIT(50, 60, 70, "slower it spoils, hotter it cooks; estimate");

  private final Range celsius;
  private final String source;

  FaceUse(double low, double best, double high, String source) {
    celsius = new Range(low, best, high);
    this.source = source;
  }

  public Range celsius() {
    return celsius;
  }

  public String source() {
    return source;
  }
}
