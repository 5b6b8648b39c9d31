package nightbank.core.medium;

/** One specific heat at every temperature: earth and compost, which stay cool. */
public record ConstantEnthalpy(double specificHeat) implements Enthalpy {
  public ConstantEnthalpy {
    if (!(specificHeat >= 100 && specificHeat <= 10_000)) {
      throw new IllegalArgumentException(
          "specific heat must lie between 100 and 10000 J/(kg K), was " + specificHeat);
    }
  }

  @Override
  public double joulesPerKg(double celsius) {
    return specificHeat * celsius;
  }

  @Override
  public double specificHeat(double celsius) {
    return specificHeat;
  }

  @Override
  public boolean isConstant() {
    return true;
  }
}
