# Asks for addresses of other sites that are due: mostly waiting, between two of one site and for those that do not answer.
class CheckAddressesJob < ActiveJob::Base
  queue_as :outside

  limits_concurrency(key: "addresses") if respond_to?(:limits_concurrency)

  def perform
    AddressCheck.new.run
  end
end
