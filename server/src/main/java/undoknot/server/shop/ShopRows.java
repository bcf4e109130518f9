package undoknot.server.shop;

import org.springframework.data.jpa.repository.JpaRepository;

interface ShopRows extends JpaRepository<Shop, Integer> {}
