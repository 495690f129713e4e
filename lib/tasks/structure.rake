# SQLite makes its table of sequences itself, and refuses to be told to when the structure is loaded.
Rake::Task["db:schema:dump"].enhance do
  file = Rails.root.join("db/structure.sql")
  file.write(file.read.sub("CREATE TABLE sqlite_sequence(name,seq);\n", "")) if file.exist?
end
