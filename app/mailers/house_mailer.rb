# What the house writes to people, in their own language.
class HouseMailer < ActionMailer::Base
  default from: -> { ENV.fetch("HOUSE_MAIL", "house@localhost") }

  def choose_password(person, token)
    write(person, secret: token, address: edit_person_password_url(reset_password_token: token))
  end

  def password_changed(person)
    write(person, address: new_person_password_url)
  end

  # @param place [Room, Page]
  def taken_over(person, place, by:)
    name = place.is_a?(Room) ? place.name : place.title
    write(person, name: name, by: by.name, address: polymorphic_url([ place, :access ]))
  end

  # @param act [String] "ending" or "ended"
  # @param day [Date] the last one
  # @param holder [String, nil] whose it is; nil for the person's own
  # @param still [Boolean] whether the person may be told its name
  def ending(person, act, place, day:, holder:, still:)
    kind = [ ("own" if holder.nil?), act, ("closed" unless still) ].compact.join("_")
    told = still ? { name: place.is_a?(Room) ? place.name : place.title, address: holder ? polymorphic_url([ place, :access ]) : polymorphic_url(place) } : { address: root_url }
    write(person, kind: kind.to_sym, holder: holder, day: I18n.l(day, format: :day_and_year, locale: person.language), **told)
  end

  def named(person, page, by:)
    write(person, title: page.title, by: by.name, address: page_url(page))
  end

  # @param remark [Remark] in which somebody is named
  def addressed(person, remark, by:)
    write(person, title: remark.page&.title || remark.room.name, by: by.name, address: remark_url(remark))
  end

  # @param place [Room, Page] that is given to the group
  def joined(person, place, group:, names:, by:)
    write(person, name: place.is_a?(Room) ? place.name : place.title, group: group.name, people: names.to_sentence, by: by.name, address: polymorphic_url([ place, :access ]))
  end

  def change_address_from(person, email, token)
    write(person, secret: token, email: email, address: email_change_url(token))
  end

  def change_address_to(person, email, token)
    write(person, to: email, secret: token, email: email, address: email_change_url(token))
  end

  # What happens to a review, to whom it concerns.
  #
  # @param act [Symbol] :asked, :reminded, :approved or :sent_back
  # @param note [String] what was said with it
  def review(person, act, page, by:, note: "")
    write(person, kind: act, title: page.draft.title, by: by.name, note: note, address: page_review_url(page))
  end

  # A publication that was set, and did not come about.
  #
  # @param act [Symbol] :held_up or :overtaken
  # @param reason [String, nil] one of TimedPublication::REASONS
  def publication(person, act, page, by:, reason: nil)
    why = reason ? I18n.t("timed_publications.held_up.#{reason}", locale: person.language) : ""
    write(person, kind: act, title: page.draft.title, by: by.name, why: why, address: page_url(page))
  end

  # @param edition [Edition] that was taken back
  # @param readers [Array<Person>] who had read it
  def retracted(person, page, edition, by:, readers:)
    write(person, title: page.title, by: by.name, number: edition.number, reason: edition.retraction.reason, readers: readers.map(&:name).to_sentence.presence || "–", address: page_editions_url(page))
  end

  # @param pages [Integer] that were made of what somebody brought in
  def moved_in(person, arrival, pages:)
    write(person, pages: pages, address: arrival_url(arrival))
  end

  # @param page [Page] that stayed where what it stood in went into the bin
  def stayed(person, page, by:)
    write(person, title: page.title, by: by.name, address: page_url(page))
  end

  private

  # @param secret [String, nil] what of the address opens a door
  # @param kind [Symbol, nil] which of several letters it is
  def write(person, to: person.email, secret: nil, kind: nil, **words)
    I18n.with_locale(person.language) do
      headers["X-Secret"] = secret if secret
      words = words.merge(person: person.name, house: House.current.name)
      mail(to: to, subject: t(".#{[ kind, "subject" ].compact.join(".")}", **words), body: t(".#{[ kind, "body" ].compact.join(".")}", **words), content_type: "text/plain")
    end
  end
end
