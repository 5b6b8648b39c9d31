package nightbank.server.shared;

import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingPathVariableException;
import org.springframework.web.bind.MissingRequestHeaderException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;

/**
 * Every refusal as problem details with code, field and remedy, whatever kind of answer was asked
 * for; never a stack trace.
 */
@RestControllerAdvice
class ProblemHandler {
  private static final String RETRY_AFTER = "5"; // s

  private static final Logger LOG = LoggerFactory.getLogger(ProblemHandler.class);

  @ExceptionHandler
  ResponseEntity<ProblemDetail> problem(Problem e) {
    HttpHeaders more = new HttpHeaders();
    if (e.status() == HttpStatus.TOO_MANY_REQUESTS) {
      more.set(HttpHeaders.RETRY_AFTER, RETRY_AFTER);
    }
    return detail(e.status(), e.code(), e.field(), e.getMessage(), e.remedy(), more);
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException e) {
    String field = "";
    if (e.getCause() instanceof JacksonException j) {
      field =
          j.getPath().stream()
              .map(
                  r -> r.getPropertyName() == null ? "[" + r.getIndex() + "]" : r.getPropertyName())
              .collect(Collectors.joining("."));
    }
    String where = field.isEmpty() ? "The request" : "The value of " + field;
    return detail(
        HttpStatus.BAD_REQUEST,
        "unreadable",
        field,
        where + " could not be read.",
        "Check that numbers are numbers and nothing needed is missing.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> wrongKind(MethodArgumentTypeMismatchException e) {
    return detail(
        HttpStatus.BAD_REQUEST,
        "unreadable",
        e.getName(),
        "The value of " + e.getName() + " has the wrong form.",
        "Go back to the list and open it from there.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> noSign(RequestRejectedException e) {
    return detail(
        HttpStatus.BAD_REQUEST,
        "unreadable",
        "",
        "The address has signs that none of ours has.",
        "Go back to the list and open it from there.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> missing(MissingServletRequestParameterException e) {
    return detail(
        HttpStatus.BAD_REQUEST,
        "unreadable",
        e.getParameterName(),
        "The value of " + e.getParameterName() + " is missing.",
        "Go back to the list and open it from there.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> noVersion(MissingRequestHeaderException e) {
    return detail(
        HttpStatus.PRECONDITION_REQUIRED,
        "version-needed",
        e.getHeaderName(),
        "The change does not say which version it changes.",
        "Send the ETag you were given as If-Match.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> tooLarge(MaxUploadSizeExceededException e) {
    return detail(
        HttpStatus.CONTENT_TOO_LARGE,
        "too-large",
        "file",
        "The file is larger than 200 MB.",
        "Export a shorter time from the logger, or split the file.");
  }

  @ExceptionHandler({MultipartException.class, MissingServletRequestPartException.class})
  ResponseEntity<ProblemDetail> noFile(Exception e) {
    return detail(
        HttpStatus.BAD_REQUEST, "no-file", "file", "No file came with it.", "Choose a file again.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> wrongWay(HttpRequestMethodNotSupportedException e) {
    return detail(
        HttpStatus.METHOD_NOT_ALLOWED,
        "wrong-way",
        "",
        "This cannot be asked in that way.",
        "",
        e.getHeaders());
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> wrongType(HttpMediaTypeNotSupportedException e) {
    return detail(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        "wrong-type",
        "Content-Type",
        "This kind of content is not read here.",
        "Send it as JSON, or a file as a form.");
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> notAcceptable(HttpMediaTypeNotAcceptableException e) {
    return detail(
        HttpStatus.NOT_ACCEPTABLE,
        "not-acceptable",
        "Accept",
        "The answer is not to be had in that form.",
        "Ask without an Accept header.");
  }

  @ExceptionHandler({NoResourceFoundException.class, MissingPathVariableException.class})
  ResponseEntity<ProblemDetail> nowhere(Exception e) {
    return detail(HttpStatus.NOT_FOUND, "not-found", "", "There is nothing here.", "");
  }

  @ExceptionHandler({DataAccessException.class, TransactionException.class})
  ResponseEntity<ProblemDetail> database(Exception e) {
    boolean away =
        e instanceof TransactionException || e instanceof DataAccessResourceFailureException;
    if (away) {
      LOG.error("database: {}", e.getMessage());
    } else {
      LOG.error("database", e);
    }
    return detail(
        HttpStatus.SERVICE_UNAVAILABLE,
        "database",
        "",
        "The record could not be written or read just now.",
        "Nothing was saved. Try again in a moment.");
  }

  /** A page that listened and went away; there is nobody to tell. */
  @ExceptionHandler
  void gone(AsyncRequestNotUsableException e) {
    LOG.debug("a page that listened is gone", e);
  }

  /** Somebody who left the page before the answer came is told nothing, and nothing is wrong. */
  @ExceptionHandler
  @Nullable ResponseEntity<ProblemDetail> unwritten(HttpMessageNotWritableException e) {
    for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
      if (cause instanceof java.io.IOException) {
        return null;
      }
    }
    return unforeseen(e);
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> unforeseen(Exception e) {
    LOG.error("unforeseen", e);
    return detail(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "unforeseen",
        "",
        "Something went wrong that was not foreseen.",
        "Nothing was saved. Try again; if it stays, the log of the program says more.");
  }

  private static ResponseEntity<ProblemDetail> detail(
      HttpStatus status, String code, String field, String reason, String remedy) {
    return detail(status, code, field, reason, remedy, HttpHeaders.EMPTY);
  }

  private static ResponseEntity<ProblemDetail> detail(
      HttpStatus status,
      String code,
      String field,
      @Nullable String reason,
      String remedy,
      HttpHeaders more) {
    ProblemDetail d = ProblemDetail.forStatusAndDetail(status, reason);
    d.setProperty("code", code);
    d.setProperty("field", field);
    d.setProperty("remedy", remedy);
    return ResponseEntity.status(status)
        .headers(more)
        .contentType(MediaType.APPLICATION_PROBLEM_JSON)
        .body(d);
  }
}
