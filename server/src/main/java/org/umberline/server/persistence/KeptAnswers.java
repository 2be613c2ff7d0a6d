package org.umberline.server.persistence;

import org.springframework.data.jpa.repository.JpaRepository;

public interface KeptAnswers extends JpaRepository<KeptAnswerEntity, KeptAnswerEntity.Key> {}
