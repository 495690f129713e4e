# The process in which files are read that were brought in (ReadApart): it gets their paths and gives, line by line as JSON,
# what they hold. It knows neither the database nor the secret, and what it says is looked at again before it is kept.
ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../../Gemfile", __dir__)
require "bundler/setup"
require "active_support"
require "active_support/core_ext/object/blank"
require "active_support/core_ext/string/access"
require "active_support/core_ext/numeric/bytes"
require "active_support/core_ext/hash/keys"
require "active_support/core_ext/enumerable"
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
%w[files/upload files/file_fit files/safe_drawing structure/publicly_identified structure/page_addresses exchange/pandoc exchange/office_text exchange/arrived_text exchange/arrived_links exchange/arrived_texts].each { |file| require File.join(app, file) }

given = JSON.parse(File.read("given.json"))
opened = ->(name, path) { Upload.new(name, path: path) }
texts = ArrivedTexts.new(files: given["files"], pictures: given["pictures"].to_h { |path, lying| [ path, opened.(File.basename(path), lying) ] }, into_draft: given["into_draft"],
                         addresses: given["address"] && PageAddresses.new(given["address"]), repeated: given["repeated"].map { |part| Zuhause::Exchange::Repeated::Found.new(**part.transform_keys(&:to_sym)) }, shared: given["shared"])
out = $stdout.dup
$stdout.reopen(File::NULL)
given["texts"].each do |key, lying|
  if given["step"] == "survey"
    answer = { survey: texts.survey(opened.(*lying)) }
  else
    text, kept = texts.read(key, opened.(*lying))
    answer = { text: text.to_h, kept: kept.to_h { |id, upload| [ id, [ upload.original_filename, id.tap { File.binwrite(id, upload.bytes) } ] ] } }
  end
  # It lies in a file, so that the next is read while whoever waits takes this one.
  File.write("#{key}.json", JSON.generate(answer))
  out.puts(key)
  out.flush
end
