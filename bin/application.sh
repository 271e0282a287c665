# The application as it is started: unpacked from what Maven packaged. To be sourced, from the project's folder.
app=$PWD/web/target/application
jar=$app/jagridge-web-0.1.0-SNAPSHOT.jar

unpack_application() {
  rm -rf "$app"
  java -Djarmode=tools -jar web/target/jagridge-web-0.1.0-SNAPSHOT.jar extract --destination "$app" >/dev/null
  # before the archive, which is one of the jar of that very time
  touch "$jar"
  # what the classes look like once they are loaded: the start takes half as long
  java -XX:ArchiveClassesAtExit="$app/classes.jsa" -Dspring.context.exit=onRefresh -Djagridge.warm-up=false \
    -Djagridge.port=0 -Djagridge.data="$app/none" -jar "$jar" >/dev/null 2>&1 || true
  rm -rf "$app/none"
}
