require "test_helper"

class LicencesTest < ActiveSupport::TestCase
  test "all that the application is made of may be passed on" do
    packages = Licences.all
    assert packages.any? { |package| package.kind == "gem" && package.name == "rails" }
    assert packages.any? { |package| package.kind == "npm" && package.name == "@tiptap/core" }
    assert_empty Licences.unfit(packages).map(&:to_s)
  end

  test "one choice that does suffices; copyleft, and nothing told, do not" do
    fits = ->(name, *licences) { Licences.unfit([ Licences::Package.new("gem", name, licences) ]).empty? }
    assert fits.("a", "GPL-3.0", "MIT")
    assert fits.("lightningcss-linux-x64-gnu", "MPL-2.0")
    [ [ "a", "GPL-3.0-or-later" ], [ "a", "AGPL-3.0" ], [ "a" ], [ "a", "MPL-2.0" ], [ "lightningcss", "GPL-3.0" ], [ "a", "MIT AND GPL-2.0" ] ].each { |package| assert_not fits.(*package), package.inspect }
  end
end
