Gem::Specification.new do |spec|
  spec.name = "zuhause-core"
  spec.version = "0.1.0"
  spec.summary = "The rules of Zuhause: documents, markup, access, links and finding"
  spec.authors = [ "The Zuhause developers" ]
  spec.license = "MIT"
  spec.required_ruby_version = ">= 3.1"
  spec.files = Dir["lib/**/*.rb"]

  spec.add_dependency "commonmarker", "~> 0.23.11"
  spec.add_dependency "csv", "~> 3.2"
  spec.add_dependency "diff-lcs", "~> 1.6"
  spec.add_dependency "mittens", "~> 0.1.1"
  spec.add_dependency "nokogiri", "~> 1.15"
  spec.add_dependency "rouge", "~> 4.5"
  spec.add_dependency "rubyzip", "~> 2.4"
  spec.add_dependency "tzinfo", "~> 2.0"
end
