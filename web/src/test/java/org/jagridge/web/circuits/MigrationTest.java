package org.jagridge.web.circuits;

import static org.testng.Assert.assertEquals;

import java.util.List;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationVersion;
import org.h2.jdbcx.JdbcDataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Databases of earlier versions, brought up to date with what is in them. */
public class MigrationTest {
    private static int number;

    private DataSource data;
    private JdbcClient jdbc;

    @BeforeMethod
    public void emptyDatabase() {
        JdbcDataSource h2 = new JdbcDataSource();
        h2.setURL("jdbc:h2:mem:migration-" + ++number + ";DB_CLOSE_DELAY=-1");
        data = h2;
        jdbc = JdbcClient.create(data);
    }

    private void migrateTo(String version) {
        Flyway.configure()
                .dataSource(data)
                .target(version.equals("latest") ? MigrationVersion.LATEST : MigrationVersion.fromVersion(version))
                .load()
                .migrate();
    }

    private List<String> texts(String sql) {
        return jdbc.sql(sql).query(String.class).list();
    }

    private void circuit(long id, String slug, String name) {
        jdbc.sql("insert into circuit (id, slug, name, created_at) values (?, ?, ?, current_timestamp)")
                .params(id, slug, name)
                .update();
    }

    private void equipment(long circuit, String name, String place) {
        jdbc.sql(
                        "insert into equipment (circuit_id, name, place, nameplate, at) values (?, ?, ?, '120 V', current_timestamp)")
                .params(circuit, name, place)
                .update();
    }

    @Test
    public void circuitsAndEquipmentOfTheTimeBeforeSitesFindTheirPlace() {
        migrateTo("4");
        circuit(1, "old-hall", "Old hall");
        circuit(2, "chapel", "Chapel");
        equipment(1, "Boiler", "boiler room");
        equipment(1, "Pump", "boiler room");
        equipment(2, "Heater", "");
        migrateTo("latest");
        assertEquals(texts("select slug from site"), List.of("my-site"));
        assertEquals(texts("select distinct site_id from circuit").size(), 1);
        assertEquals(texts("select name from site_place order by name"), List.of("Chapel", "boiler room"));
        assertEquals(
                texts("""
                        select e.name || ' in ' || p.name || ' of ' || c.name
                        from equipment e join site_place p on p.id = e.place_id join circuit c on c.id = e.circuit_id
                        order by e.id
                        """),
                List.of(
                        "Boiler in boiler room of Old hall",
                        "Pump in boiler room of Old hall",
                        "Heater in Chapel of Chapel"));
        assertEquals(texts("select nameplate from equipment where removed"), List.of());
    }

    @Test
    public void anEmptyDatabaseGetsNoSiteByItself() {
        migrateTo("latest");
        assertEquals(texts("select slug from site"), List.of());
    }

    @Test
    public void revisionsOfTheFirstVersionAreContentsOfTheirOwn() {
        migrateTo("1");
        circuit(7, "barn", "Barn");
        for (int n = 1; n <= 2; n++) {
            jdbc.sql(
                            "insert into circuit_revision (circuit_id, number, body, created_at) values (7, ?, '{}', current_timestamp)")
                    .param(n)
                    .update();
        }
        migrateTo("latest");
        assertEquals(
                texts("select number || '/' || content || ' ' || words from circuit_revision order by number"),
                List.of("1/1 first entry", "2/2 first entry"));
    }
}
