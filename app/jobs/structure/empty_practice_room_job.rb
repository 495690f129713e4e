# Erases what was tried in the practice room during the day.
class EmptyPracticeRoomJob < ActiveJob::Base
  queue_as :long

  def perform
    Room.practice_room&.empty_out
  end
end
