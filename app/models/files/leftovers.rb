# What an end in the middle leaves behind: bytes that no row tells of, half written or whole, and rows that nothing shows.
# Bytes come before their row, and rows before what shows them, so that only what is older is looked at.
module Leftovers
  AFTER = 1.day

  # @param now [Time]
  # @return [Integer] how many were removed
  def self.sweep(now: Time.current)
    shown_by_nothing(now - AFTER) + told_by_nothing(now - AFTER)
  end

  def self.shown_by_nothing(before)
    ActiveStorage::Blob.unattached.where(created_at: ...before).find_each.count { |blob| blob.destroy && blob.service.delete(blob.key) }
  end

  def self.told_by_nothing(before)
    ActiveStorage::Blob.service.old_paths(before).each_slice(200).sum do |paths|
      told = ActiveStorage::Blob.where(key: paths.map { |path| File.basename(path) }).pluck(:key).to_set
      paths.reject { |path| told.include?(File.basename(path)) }.each { |path| FileUtils.rm_f(path) }.size
    end
  end
  private_class_method :shown_by_nothing, :told_by_nothing
end
