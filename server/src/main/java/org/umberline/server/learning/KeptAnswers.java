package org.umberline.server.learning;

import org.springframework.data.jpa.repository.JpaRepository;

public interface KeptAnswers extends JpaRepository<KeptAnswerEntity, KeptAnswerEntity.Key> {}
