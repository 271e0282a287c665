package org.jagridge.web.data;

import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.PreparedStatementCreator;
import org.springframework.jdbc.core.PreparedStatementSetter;
import org.springframework.jdbc.support.KeyHolder;

/** Every statement that stores something asks first whether there is room. */
@Configuration(proxyBeanMethods = false)
class RoomFirst {
    @Bean
    JdbcTemplate jdbcTemplate(DataSource data, Disk disk) {
        return new JdbcTemplate(data) {
            @Override
            protected int update(PreparedStatementCreator creator, PreparedStatementSetter setter) {
                disk.requireRoom();
                return super.update(creator, setter);
            }

            @Override
            public int update(PreparedStatementCreator creator, KeyHolder keys) {
                disk.requireRoom();
                return super.update(creator, keys);
            }
        };
    }
}
