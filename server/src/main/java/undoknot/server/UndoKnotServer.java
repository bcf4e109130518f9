package undoknot.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

@SpringBootApplication
public class UndoKnotServer {
    public static void main(String[] args) {
        SpringApplication.run(UndoKnotServer.class, args);
    }
}
