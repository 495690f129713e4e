require "test_helper"
require "minitest/mock"

class WholeFilesTest < ActiveSupport::TestCase
  LEFT = ".partabcd".freeze

  setup do
    @ida = person("Ida Karlow")
    @page = new_page("Gangway", above: new_room("On Board", keeper: @ida), by: @ida, markdown: "Words.")
    @upload = Upload.new("notes.txt", "Grit and salt, #{SecureRandom.hex}.\n" * 200)
    @service = ActiveStorage::Blob.service
    @root = @service.root
    @service.instance_variable_set(:@root, @own = Dir.mktmpdir) # other processes write to the usual one meanwhile
  end

  teardown do
    @service.instance_variable_set(:@root, @root)
    FileUtils.rm_rf(@own)
  end

  test "an upload that ends in the middle leaves neither half a file nor a row, and the same bytes come in whole later" do
    full = ->(*) { raise Errno::ENOSPC }
    IO.stub(:copy_stream, full) { assert_raises(Errno::ENOSPC) { take } }
    assert_not ActiveStorage::Blob.exists?
    assert_empty parts
    assert_equal @upload.bytes, take.content.download
  end

  test "bytes that arrived changed are not kept" do
    key = SecureRandom.hex
    assert_raises(ActiveStorage::IntegrityError) { @service.upload(key, StringIO.new("salt"), checksum: OpenSSL::Digest::MD5.base64digest("grit")) }
    assert_not @service.exist?(key)
    assert_empty parts
  end

  test "a file that was cut or lost is found by the check, and is written again when the same bytes come once more" do
    first = take
    path = @service.path_for(first.content.key)
    assert_empty harms
    [ -> { File.truncate(path, 100) }, -> { File.write(path, "x" * @upload.size) }, -> { File.delete(path) } ].each do |harm|
      harm.call
      assert_equal [ [ first.content.key ] ], harms.map(&:ids)
      again = take
      assert_equal first.content.blob, again.content.blob
      assert_equal @upload.bytes, first.reload.content.download
      assert_empty harms
    end
  end

  test "what an end in the middle left behind goes after a day, and nothing else" do
    shown = take.content
    left = %w[half whole].to_h { |kind| [ kind, @service.path_for(SecureRandom.hex).tap { |path| FileUtils.mkdir_p(File.dirname(path)) } + (kind == "half" ? LEFT : "") ] }
    left.each_value { |path| File.write(path, "grit") }
    unshown = PageFile.prepare(Upload.new("other.txt", "salt #{SecureRandom.hex}"), by: @ida).content.blob || ActiveStorage::Blob.last
    paths = [ shown, unshown ].to_h { |one| [ one.key, @service.path_for(one.key) ] }
    Leftovers.sweep
    assert_equal [ true ] * 4, [ *left.values, *paths.values ].map { |path| File.exist?(path) }

    [ *left.values, *paths.values ].each { |path| File.utime(2.days.ago.to_time, 2.days.ago.to_time, path) }
    ActiveStorage::Blob.update_all(created_at: 2.days.ago)
    SweepLeftoversJob.perform_now
    assert_equal [ false, false, true, false ], [ *left.values, *paths.values ].map { |path| File.exist?(path) }
    assert_equal [ shown.key ], ActiveStorage::Blob.pluck(:key)
  end

  private

  def take
    PageFile.take(@upload, page: @page, by: @ida)
  end

  def harms
    HouseCheck.run.select { |harm| harm.what.start_with?("Files") }
  end

  def parts
    Dir[File.join(@own, "**", "*#{ActiveStorage::Service::WholeDiskService::UNFINISHED}*")]
  end
end
