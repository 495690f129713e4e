require "test_helper"

class HouseBackupTest < ActiveSupport::TestCase
  include ApartFromTransactions # a backup is made by another connection

  setup do
    @folder = Pathname(Dir.mktmpdir)
    @ana = person("Ana Berg")
    @page = new_page("Gangway", above: new_room("On Board", keeper: @ana), by: @ana)
    @ana.picture.attach(io: Rails.root.join("docs/screenshots/read.png").open, filename: "picture.png", content_type: "image/png")
    SignIn.begin(@ana)
    @shelf = HouseBackup::Shelf.new(@folder.join("shelf"))
  end

  teardown { FileUtils.rm_rf(@folder) }

  test "what was saved before is in it, whoever writes meanwhile, and is put back as it was" do
    saved = Queue.new
    writing = Thread.new { ApplicationRecord.connection_pool.with_connection { 30.times { |i| save_text(@page, "Words number #{i}.", by: @ana) && saved << i } } }
    before = Array.new(3) { saved.pop }.last
    backup, lost = @shelf.add
    writing.join

    restored = restore(backup)
    assert_empty lost
    assert_operator restored.execute("SELECT max(version) FROM drafts WHERE page_id = ?", @page.id)[0][0], :>, before
    %w[people rooms editions access_grants access_list_entries happenings].each do |table| # which no save writes
      rows = "SELECT * FROM \"#{table}\" ORDER BY 1"
      assert_equal SQLite3::Database.new(HouseBackup.database.to_s).execute(rows), restored.execute(rows), table
    end
    assert_equal @ana.picture.download, @folder.join("house/files", @ana.picture.key[0, 2], @ana.picture.key[2, 2], @ana.picture.key).binread
    assert_equal Rails.application.secret_key_base, @folder.join("house/test_secret").read
    assert_equal 0, restored.execute("SELECT count(*) FROM sign_ins")[0][0], "everybody signs in anew"
  end

  test "files that are the same share their place among backups, and no place with the house" do
    first, second = [ 0, 1 ].map { |hours| HouseBackup::Content.new(@shelf.add(at: hours.hours.from_now).first).file(@ana.picture.key).stat.ino }
    assert_equal first, second
    assert_not_equal first, File.stat(ActiveStorage::Blob.service.path_for(@ana.picture.key)).ino
  end

  test "what is damaged is noticed, and nothing comes of it" do
    backup, = @shelf.add
    content = HouseBackup::Content.new(backup)
    [ content.file(@ana.picture.key), backup.join("house.sqlite3"), backup.join("secret"), backup.join("manifest.json") ].each do |path|
      bytes = path.binread
      [ bytes.byteslice(0, bytes.bytesize / 2), bytes.dup.tap { |changed| changed.setbyte(changed.bytesize / 2, changed.getbyte(changed.bytesize / 2) ^ 255) } ].each do |wrong|
        path.binwrite(wrong)
        assert_raises(HouseBackup::Broken, path.to_s) { HouseBackup::Restoring.new(backup, @folder.join("house")).run }
        assert_not @folder.join("house").exist?
      end
      path.binwrite(bytes)
    end
    content.open_database { |database| database.execute("DELETE FROM access_list_entries") }
    assert_raises(HouseBackup::Broken) { content.verify }
  end

  test "a sealed one is opened with its key alone" do
    key, other, none = %w[under-the-eaves another].map { |word| @folder.join(word).tap { |file| file.write(word) } } << @folder.join("none")
    backup, = HouseBackup::Shelf.new(@folder.join("shelf"), key: key).add
    assert_not_includes backup.binread, "SQLite format"
    [ nil, none ].each { |wrong| assert_raises(HouseBackup::Impossible) { HouseBackup::Restoring.new(backup, @folder.join("house"), key: wrong).run } }
    assert_raises(HouseBackup::Broken) { HouseBackup::Restoring.new(backup, @folder.join("house"), key: other).run }
    assert_equal 1, restore(backup, key: key).execute("SELECT count(*) FROM pages WHERE public_id = ?", @page.public_id)[0][0]

    bytes = backup.binread
    bytes.setbyte(bytes.bytesize - 500, bytes.getbyte(bytes.bytesize - 500) ^ 1)
    backup.binwrite(bytes)
    assert_raises(HouseBackup::Broken) { HouseBackup::Restoring.new(backup, @folder.join("again"), key: key).run }
    assert_not @folder.join("again").exist?
  end

  test "a file that the house itself has lost is told, and keeps nothing else from being backed up" do
    path = ActiveStorage::Blob.service.path_for(@ana.picture.key)
    File.write(path, "something else")
    backup, lost = @shelf.add
    assert_equal [ @ana.picture.key ], lost
    assert_equal 1, restore(backup).execute("SELECT count(*) FROM pages WHERE public_id = ?", @page.public_id)[0][0]
  end

  test "nothing unfinished is taken for a backup, two are not made at once, and old ones are dropped" do
    @folder.join("shelf/.part-left").mkpath
    File.open(@folder.join("shelf/.lock"), "w") do |lock|
      lock.flock(File::LOCK_EX)
      assert_raises(HouseBackup::Impossible) { @shelf.add }
    end
    40.times { |days| @folder.join("shelf", (100 - days).days.ago.utc.strftime(HouseBackup::Shelf::FORM)).mkpath }
    @shelf.add
    assert_not @folder.join("shelf/.part-left").exist?
    assert_operator @shelf.all.size, :<, 16
  end

  test "a house is put into an empty place, and only one that is known here" do
    backup, = @shelf.add
    @folder.join("full").mkpath
    @folder.join("full/kept").write("kept")
    assert_raises(HouseBackup::Impossible) { HouseBackup::Restoring.new(backup, @folder.join("full")).run }
    assert_equal "kept", @folder.join("full/kept").read
    assert_raises(HouseBackup::Impossible) { HouseBackup::Restoring.new(@folder.join("nothing"), @folder.join("house")).run }

    ApplicationRecord.connection.execute("INSERT INTO schema_migrations VALUES ('20991231000000')")
    newer, = @shelf.add(at: 1.minute.from_now)
    assert_raises(HouseBackup::Impossible) { HouseBackup::Restoring.new(newer, @folder.join("house")).run }
  ensure
    ApplicationRecord.connection.execute("DELETE FROM schema_migrations WHERE version = '20991231000000'")
  end

  private

  def restore(backup, key: nil)
    HouseBackup::Restoring.new(backup, @folder.join("house"), key: key).run
    SQLite3::Database.new(@folder.join("house/test.sqlite3").to_s)
  end
end
