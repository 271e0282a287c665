document.querySelector("#print-now").addEventListener("click", () => window.print());
