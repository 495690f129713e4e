# What was sought and found no good answer, or none that anybody opened, without names: that it was not always the same person is
# known by a digest of the person and the wording, which leads back to nobody and from one wording to no other. Only what several
# people asked in the same words is told, and not whether some of them were answered: that would tell of pages which not all may read.
class Sought < ApplicationRecord
  PEOPLE = 3 # who asked the same
  LONGEST = 120 # characters of a wording
  KEPT = 180 # days

  Told = Struct.new(:wording, :people, :day, keyword_init: true) do
    # What addresses tell it by: they are written into logs, and what people ask is not.
    def key
      OpenSSL::Digest::SHA256.hexdigest(wording).first(16)
    end
  end

  class << self
    # @param search [Search] that somebody has made, narrowed down to nothing
    def note(search, viewer, on: Date.current)
      return unless gathers?(viewer) && search.filters.set.empty? && (wording = wording_of(search.text))

      row = { wording: wording, digest: digest(wording, viewer.person), answered: search.answer&.sure || false, day: on }
      upsert(row, unique_by: %i[wording digest], update_only: %i[answered day])
    end

    # Somebody has opened a page that was found.
    #
    # @param text [String] what they had searched for
    def opened(text, viewer)
      return unless gathers?(viewer) && (wording = wording_of(text))

      where(wording: wording, digest: digest(wording, viewer.person)).update_all(opened: true)
    end

    # @return [Array<Told>] what most people sought first
    def told(limit: nil, offset: 0)
      rows = telling.order(Arel.sql("COUNT(*) DESC, MAX(day) DESC, wording")).limit(limit).offset(offset)
                    .pluck(:wording, Arel.sql("COUNT(*)"), Arel.sql("MAX(day)"))
      rows.map { |wording, people, day| Told.new(wording: wording, people: people, day: day.to_date) }
    end

    # @return [Integer]
    def count_of_told
      telling.pluck(:wording).size
    end

    # @param key [String]
    # @return [Told, nil]
    def told_of(key)
      told.find { |one| one.key == key }
    end

    # What has been seen to, or is old.
    def forget(wording = nil, before: KEPT.days.ago.to_date)
      (wording ? where(wording: wording) : where(day: ...before)).delete_all
    end

    # @param text [String]
    # @return [String, nil] the words as they are compared
    def wording_of(text)
      wording = Zuhause::Finding::Folding.words(text.to_s.scrub).join(" ")
      wording if wording.length.between?(1, LONGEST)
    end

    private

    def gathers?(viewer)
      viewer.signed_in? && viewer.house.gathers_sought?
    end

    def telling
      group(:wording).having("COUNT(*) >= ? AND (MIN(answered) = 0 OR MAX(opened) = 0)", PEOPLE)
    end

    def digest(wording, person)
      OpenSSL::HMAC.hexdigest("SHA256", Rails.application.key_generator.generate_key("sought", 32), "#{person.id} #{wording}")
    end
  end
end
