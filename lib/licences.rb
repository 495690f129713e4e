# The licences of the gems and npm packages that the application is made of. Each has to leave its users free to pass the
# application on under its own licence; where there is a choice of licences one that does is enough. Tools that only build or
# test may have others, and are named.
module Licences
  Package = Struct.new(:kind, :name, :licences) do
    def permissive?
      (licences & PERMISSIVE).any?
    end

    def tool?
      TOOLS.any? { |tool, licence| name.match?(/\A#{tool}(-[a-z0-9-]+)?\z/) && licences == [ licence ] }
    end

    def to_s
      "#{kind} #{name}: #{licences.any? ? licences.join(" or ") : "no licence is told"}"
    end
  end

  PERMISSIVE = [ "MIT", "Ruby", "BSD-2-Clause", "BSD 2-Clause", "BSD-3-Clause", "Apache-2.0", "ISC", "0BSD", "BlueOak-1.0.0", "Zlib", "CC0-1.0", "Unlicense" ].freeze
  # What builds styles, finds faults and tests, by name (of npm with its builds for machines of other kinds).
  TOOLS = { "lightningcss" => "MPL-2.0", "axe-core" => "MPL-2.0", "commonmark-spec" => "CC-BY-SA-4.0", "brakeman" => "Brakeman Public Use License" }.freeze

  # @return [Array<Package>] gems as they are loaded, npm packages as the lock file has them
  def self.all
    gems = Bundler.load.specs.map { |spec| Package.new("gem", spec.name, spec.licenses) }
    packages = JSON.parse(Rails.root.join("package-lock.json").read).fetch("packages").except("")
    npm = packages.map { |path, package| Package.new("npm", path[%r{node_modules/((?:@[^/]+/)?[^/]+)\z}, 1], choices(package["license"])) }
    (gems + npm).uniq.sort_by { |package| [ package.kind, package.name ] }
  end

  # @return [Array<Package>]
  def self.unfit(packages = all)
    packages.reject { |package| package.permissive? || package.tool? }
  end

  # @param expression [String, nil] as SPDX writes licences: a choice by OR; what AND joins has to be met together
  def self.choices(expression)
    expression.to_s.delete("()").split(/\s+OR\s+/)
  end
  private_class_method :choices
end
