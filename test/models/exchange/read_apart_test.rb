require "test_helper"

class ReadApartTest < ActiveSupport::TestCase
  test "a text is read with its pictures, links to what came with it, and nothing of the house is known there" do
    files = { "a.md" => "# Salt\n\nSee [b](b.md), [it](http://x.example/p/grit-abcdefghij) and\n\n![dot](dot.png)", "dot.png" => Rails.root.join("test/files/dot.png").binread }
    read = nil
    with_files(files) { |texts, pictures| ReadApart.new(texts, files: [ *files.keys, "b.md" ], pictures: pictures.map { |picture| [ picture.original_filename, picture.path ] }, address: "http://x.example").each { |*each| read = each } }
    text, kept = read
    assert_equal [ "Salt", nil, [ "dot.png" ], [ [ "b.md", nil, "b.md" ] ] ], [ text.title, text.problem, text.pictures.values, text.links ]
    assert_equal [ ArrivedLinks.standing_for(0), "page:abcdefghij" ], Zuhause::Document::Walk.each(text.document).flat_map { |node, _ancestors| Array(node["marks"]).filter_map { |mark| mark.dig("attrs", "target") } }
    assert_empty kept
  end

  test "what texts tell of themselves is asked apart as well" do
    told = {}
    with_files("a.html" => "<title>Salt</title><link rel=next href=b.html><ul class=toc><li><a href=b.html>b</a><li><a href=c.html>c</a><li><a href=d.html>d</a></ul>", "b.txt" => "none") { |texts, _pictures| ReadApart.new(texts).each_survey { |key, survey| told[texts[key].original_filename] = survey } }
    assert_equal [ "Salt", { "next" => "b.html" }, [ [ [ 0, "b.html" ], [ 0, "c.html" ], [ 0, "d.html" ] ] ] ], told["a.html"].values_at("title", "rels", "lists")
    assert_nil told.fetch("b.txt")
  end

  test "what the plan and the outline do here is left out and told, but not of what comes into a page" do
    text = "<p><a href=b.html>Next page</a></p><h1>Salt</h1><ul><li><a href=#a>Grit</a></ul><h2 id=a>Grit</h2><p>bites<p><a href=#>top</a>"
    codes = { false => [ %w[own_contents Grit], [ "neighbour", "next page" ], %w[neighbour top] ], true => [] }
    codes.each do |into_draft, told|
      with_files("a.html" => text) do |texts|
        ReadApart.new(texts, files: %w[a.html b.html], into_draft: into_draft).each { |read, _kept| assert_equal told, read.reports.map { |report| report.transform_keys(&:to_s).values_at("code", "detail").map(&:to_s) }.select { |code, _detail| %w[own_contents neighbour].include?(code) } }
      end
    end
  end

  test "what breaks or does not end breaks one text" do
    with_env("SECRET_KEY_BASE" => "under-the-eaves") do
      read = odd("a.md", "dies.md", "b.md", "breaks.md", "hangs.md", "c.md")
      assert_equal [ [ "a.md", nil ], [ "dies.md", "too_long" ], [ "b.md", nil ], [ "breaks.md", "unreadable" ], [ "hangs.md", "too_long" ], [ "c.md", "too_long" ] ], read.map { |text| [ text.name, text.problem ] }
      assert_no_match(/SECRET|DATABASE|RAILS/, read.first.title)
    end
  end

  test "one that takes more than it may of memory, or of the processor, is ended" do
    with_files("large.txt" => "words " * 200_000) do |texts|
      [ [ :rlimit_as, 60.megabytes ], [ :rlimit_cpu, 0 ] ].each do |limit, value|
        problems = []
        stub_const(ReadApart::Child, :LIMITS, ReadApart::Child::LIMITS.merge(limit => value)) { ReadApart.new(texts).each { |text, _kept| problems << text.problem } }
        assert_equal 1, problems.compact.size, limit
      end
    end
  end

  private

  def odd(*names)
    [].tap do |read|
      stub_const(ReadApart::Child, :SCRIPT, Rails.root.join("test/files/readers/odd.rb").to_s) do
        stub_const(ReadApart::Child, :WAITED, 6) { with_files(names.index_with("x")) { |texts| ReadApart.new(texts).each { |text, _kept| read << text } } }
      end
    end
  end

  def with_files(files)
    Dir.mktmpdir do |folder|
      uploads = files.map { |name, bytes| Upload.new(name, path: File.join(folder, name).tap { |path| File.binwrite(path, bytes) }) }
      pictures, texts = uploads.partition { |upload| upload.original_filename.end_with?(".png") }
      yield texts.each_with_index.to_h { |text, i| [ "#{"a" * 9}#{i.zero? ? "a" : i}", text ] }, pictures
    end
  end

  def with_env(changed)
    before = ENV.to_h.slice(*changed.keys)
    ENV.update(changed)
    yield
  ensure
    changed.each_key { |name| ENV[name] = before[name] }
  end
end
