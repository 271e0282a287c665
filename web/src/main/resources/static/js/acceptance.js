// initials are typed once: every other box of the page takes them over
(() => {
  const boxes = document.querySelectorAll("[name='initials']");
  boxes.forEach(box => {
    box.value = sessionStorage.getItem("initials") || "";
    box.addEventListener("change", () => {
      sessionStorage.setItem("initials", box.value);
      boxes.forEach(other => { other.value = box.value; });
    });
  });
})();

// who writes down what was seen instead, and presses Enter, doesn't mean that it was so
document.querySelectorAll(".see [name='words']").forEach(box => {
  box.addEventListener("keydown", event => {
    if (event.key === "Enter") {
      event.preventDefault();
      box.form.querySelector("[value='no']").click();
    }
  });
});
