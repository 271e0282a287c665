package org.jagridge.web.config;

import jakarta.servlet.http.HttpServletRequest;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;

/** What pages say when an address leads nowhere. */
@ControllerAdvice(annotations = Controller.class)
@Order(2)
class PageErrors {
    @ExceptionHandler
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String notFound(NotFoundException e, HttpServletRequest request, Model model) {
        return page(e.getMessage(), request, model);
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String wrongValue(MethodArgumentTypeMismatchException e, HttpServletRequest request, Model model) {
        return page("\"" + e.getValue() + "\" is no " + e.getName() + " this page knows.", request, model);
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String missing(MissingServletRequestParameterException e, HttpServletRequest request, Model model) {
        return page("The request lacks " + e.getParameterName() + ".", request, model);
    }

    private static String page(String message, HttpServletRequest request, Model model) {
        model.addAttribute("message", message);
        return request.getHeader("HX-Request") == null ? "error" : "notice :: notice";
    }
}
