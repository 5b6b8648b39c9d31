package nightbank.server.account;

/** What a person may do in a holding, most first. */
public enum Role {
  KEEPER,
  HELPER,
  GUEST;

  public boolean covers(Role needed) {
    return ordinal() <= needed.ordinal();
  }
}
