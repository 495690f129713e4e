# Asks for addresses of other sites that are due.
class CheckAddressesJob < ActiveJob::Base
  queue_as :long

  limits_concurrency(key: "addresses") if respond_to?(:limits_concurrency)

  def perform
    AddressCheck.new.run
  end
end
