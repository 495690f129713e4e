# The process in which files are read that were brought in (ReadApart): it gets their paths and gives, line by line as JSON,
# what they hold. It knows neither the database nor the secret, and what it says is looked at again before it is kept.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../../Gemfile", __dir__)
require "bundler/setup"
require "active_support"
require "active_support/core_ext/object/blank"
require "active_support/core_ext/string/access"
require "active_support/core_ext/numeric/bytes"
require "active_support/core_ext/hash/keys"
require "active_support/concern"
require "cgi"
require "erb"
require "json"
require "marcel"
require "securerandom"
require "tempfile"
require "tmpdir"
require "zuhause/core"

app = File.expand_path("../../app/models", __dir__)
require File.expand_path("../../config/initializers/vips", __dir__)
%w[files/upload files/file_fit files/safe_drawing structure/publicly_identified structure/page_addresses exchange/pandoc exchange/office_text exchange/arrived_text exchange/arrived_texts].each { |file| require File.join(app, file) }

given = JSON.parse(File.read("given.json"))
opened = ->((name, path)) { Upload.new(name, path: path) }
addresses = given["address"] && PageAddresses.new(given["address"])
texts = ArrivedTexts.new(given["pictures"].map(&opened), given["keys"], to_targets: ->(text) { addresses ? addresses.to_targets(text) : text }, into_draft: given["into_draft"])
out = $stdout.dup
$stdout.reopen(File::NULL)
given["texts"].each do |key, lying|
  text, kept = texts.read(key, opened.call(lying))
  files = kept.to_h { |id, upload| [ id, [ upload.original_filename, id.tap { File.binwrite(id, upload.bytes) } ] ] }
  out.puts(JSON.generate(text: text.to_h, kept: files))
  out.flush
end
