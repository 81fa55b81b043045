-- Full-text index over title and text of every question; rowid is questions.row.
CREATE VIRTUAL TABLE question_search USING fts5(title, text, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');
