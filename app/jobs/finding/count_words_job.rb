# Counts the words of pages whose access list has changed, that went into the bin or came out of it.
class CountWordsJob < ActiveJob::Base
  queue_as :long

  def perform
    CountedPage.catch_up
  end
end
