# The browser of tests, pictures and benchmarks: Debian's Chromium without windows, which takes half the time of the one with them. To be sourced.
chromium() {
  local found
  for found in "${CHROMIUM:-}" /usr/bin/chromium-headless-shell /usr/bin/chromium; do
    if [ -x "$found" ]; then
      echo "$found"
      return
    fi
  done
}

# What of the two that are needed is missing comes by apt.
install_browser() {
  local need=() sudo=""
  [ -n "${CHROMIUM:-}" ] || [ -x /usr/bin/chromium-headless-shell ] || need+=(chromium-headless-shell)
  command -v node >/dev/null || need+=(nodejs)
  [ ${#need[@]} -gt 0 ] || return 0
  [ "$(id -u)" = 0 ] || sudo=sudo
  echo "Installing ${need[*]} ..."
  export DEBIAN_FRONTEND=noninteractive
  # a release without the one without windows has the other
  { $sudo apt-get update -qq && $sudo apt-get install -y -qq "${need[@]}"; } \
    || { [ -n "$(chromium)" ] && command -v node >/dev/null; } \
    || $sudo apt-get install -y -qq "${need[@]/chromium-headless-shell/chromium}"
}
