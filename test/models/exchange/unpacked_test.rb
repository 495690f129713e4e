require "test_helper"

# Folders that come as ZIP files: what lies in them, and nothing that leads elsewhere.
class UnpackedTest < ActiveSupport::TestCase
  setup { set_up_house }

  test "files with where they lie, without what systems put there" do
    assert_equal({ "manual/a.md" => "A", "manual/b/ü.md" => "B" }, unpacked("manual/a.md" => "A", "manual/b/ü.md" => "B", "__MACOSX/a" => "x", "manual/.DS_Store" => "x", "Thumbs.db" => "x"))
  end

  test "names that lead elsewhere are left out" do
    assert_equal({ "ok.md" => "A" }, unpacked("../up.md" => "x", "|etc/passwd" => "x", "a/../../b.md" => "x", "C:\\x.md" => "x", "ok.md" => "A"))
  end

  test "more than may be, larger than may be, and what is broken" do
    stub_const(Unpacked, :MOST, 200) { assert_unfit("unpacked_many") { unpacked((0..200).to_h { |i| [ "#{i}.md", "x" ] }) } }
    large = zip((0..3).to_h { |i| [ "#{i}.txt", "\0" * 50.megabytes ] })
    assert_operator File.size(large.path), :<, 1.megabyte
    assert_unfit("unpacked_large") { Unpacked.new(large.path, largest: 150.megabytes).names }
    one = zip("a.txt" => "\0" * 51.megabytes)
    assert_unfit("unpacked_large") { Unpacked.new(one.path).each { |_name, _bytes| } }
    [ "", "PK\x03\x04 rubbish", "no zip at all" ].each { |bytes| assert_unfit("unpacked_broken") { Unpacked.new(file(bytes).path).each { |_name, _bytes| } } }
  end

  private

  def assert_unfit(message, &block)
    assert_equal message, assert_raises(Unpacked::Unfit, &block).message
  end

  def unpacked(files)
    {}.tap { |found| Unpacked.new(zip(files).path).each { |name, bytes| found[name] = bytes.dup.force_encoding(Encoding::UTF_8) } }
  end

  def zip(files)
    file(Zip::OutputStream.write_buffer { |out| files.each { |name, text| out.put_next_entry(name); out.write(text) } }.string.gsub("|etc", "/etc"))
  end

  def file(bytes)
    Tempfile.new([ "folder", ".zip" ], binmode: true).tap { |file| file.write(bytes) && file.flush }
  end
end
