package nightbank.server.account;

import java.io.Serializable;
import java.util.UUID;

/** Who is asking. */
public record SignedIn(UUID personId, String login) implements Serializable {}
