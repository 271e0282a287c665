// Prints the page.
document.addEventListener("click", (e) => {
  if (e.target.closest("[data-print]")) window.print();
});
