# What many screens carry along, kept in this process until what it is made of changes: how the rooms' doors look to somebody,
# what their lists give them, who can read what a list opens. What it is made of is told by the versions in the database,
# which triggers renew; they are read anew for each viewer, so that nothing is kept past a change.
class Kept
  STORE = ActiveSupport::Cache::MemoryStore.new(size: 24.megabytes, coder: nil)

  # Version of all that is kept: raised where what is kept is made otherwise.
  FORM = 1

  # @param apart [Array] what tells all that is kept here from what is kept elsewhere
  def initialize(apart = [])
    @apart = apart
  end

  # @param key [Array] tells apart what is kept
  # @param of [Array<Symbol>] what it is made of; what a list gives changes with the day
  # @yield makes it; frozen through and through, or never changed
  def fetch(key, of:, &block)
    STORE.fetch(name(key, of), skip_nil: true, &block)
  end

  # @return [Object] what is kept from now on
  def put(key, value, of:)
    value.tap { STORE.write(name(key, of), value) }
  end

  private

  def name(key, of)
    [ FORM, *@apart, *key, *of.map { |name| name == :lists ? [ versions["lists"], House.today ] : versions[name.to_s] } ]
  end

  def versions
    @versions ||= ApplicationRecord.connection.select_rows("SELECT name, number FROM versions").to_h
  end
end
