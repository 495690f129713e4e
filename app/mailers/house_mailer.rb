# What the house writes to people, in their own language.
class HouseMailer < ActionMailer::Base
  include DeskAddresses

  default from: -> { ENV.fetch("HOUSE_MAIL", "house@localhost") }

  def choose_password(person, token)
    write(person, secret: token, address: edit_person_password_url(reset_password_token: token))
  end

  def password_changed(person)
    write(person, address: new_person_password_url)
  end

  # @param place [Room, Page]
  def taken_over(person, place, by:)
    write(person, name: name_of(place), by: by.name, address: polymorphic_url([ place, :access ]))
  end

  # @param act [String] "ending" or "ended"
  # @param day [Date] the last one
  # @param holder [String, nil] whose it is; nil for the person's own
  # @param still [Boolean] whether the person may be told its name
  def ending(person, act, place, day:, holder:, still:)
    kind = [ ("own" if holder.nil?), act, ("closed" unless still) ].compact.join("_")
    told = still ? { name: name_of(place), address: holder ? polymorphic_url([ place, :access ]) : polymorphic_url(place) } : { address: root_url }
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
    write(person, name: name_of(place), group: group.name, people: names.to_sentence, by: by.name, address: polymorphic_url([ place, :access ]))
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

  # What somebody has been told, by page and room.
  #
  # @param tellings [Array<Telling>] of what the person may see
  def news(person, tellings)
    groups = tellings.group_by { |telling| [ telling.place, telling.personal ] }.values.map { |of_it| NewsList::Group.of(of_it.reverse) }
    I18n.with_locale(person.language) do
      words = NewsWords.new(Viewer.new(person))
      kind = groups.one? ? :one : :many
      stop = stop_url(Stopping.token(person, **(groups.one? && !groups.first.personal? ? { target: groups.first.place } : { reason: groups.first.newest.reason })))
      headers["List-Unsubscribe"], headers["List-Unsubscribe-Post"] = "<#{stop}>", "List-Unsubscribe=One-Click"
      write(person, kind: kind, secret: stop[%r{/stop/(.+)\z}, 1], count: groups.size, first: words.line(groups.first, title: true), title: words.name_of(groups.first.place), news: groups.map { |group| paragraph(group, words) }.join("\n\n"), settings: edit_profile_news_setting_url, stop: stop, stopped: words.stopped(groups))
    end
  end

  # What needs care in what somebody keeps.
  #
  # @param counts [Hash{Symbol=>Integer}] by the name of the list, of those that have anything
  def desk(person, counts)
    stop = stop_url(Stopping.token(person, reason: Stopping::DESK))
    headers["List-Unsubscribe"], headers["List-Unsubscribe-Post"] = "<#{stop}>", "List-Unsubscribe=One-Click"
    lines = I18n.with_locale(person.language) { counts.map { |name, count| "- #{I18n.t("desks.show.lists.#{name}", count: count)}\n  #{desk_list_address(name, :url, of: "mine")}" }.join("\n") }
    write(person, secret: stop[%r{/stop/(.+)\z}, 1], lines: lines, address: desk_url(of: "mine"), settings: edit_profile_news_setting_url, stop: stop)
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

  # Somebody who is not here yet is written to in the house's own language.
  Addressee = Struct.new(:name, :email, :language, keyword_init: true)
  private_constant :Addressee

  # @param invitation [Invitation]
  # @param token [String] of the address that works once
  def invited(invitation, token)
    addressee = Addressee.new(name: invitation.name.presence || invitation.email, email: invitation.email, language: I18n.default_locale)
    where = name_of(invitation.place) || invitation.group&.name
    kind = invitation.of_themselves? ? :joining : (:place if where)
    write(addressee, kind: kind, secret: token, by: invitation.inviter&.name, name: where, words: said(invitation.words), day: I18n.l(invitation.expires_at.to_date, format: :day_and_year), address: coming_url(token))
  end

  # @param level [Symbol] that somebody was given on a place
  def let_in(person, place, by:, level:, ends_on: nil, words: "")
    ending = ends_on ? "\n#{I18n.t("access_grants.until", day: I18n.l(ends_on, format: :day_and_year, locale: person.language), locale: person.language)}\n" : ""
    write(person, name: name_of(place), by: by.name, level: I18n.t("access.levels.#{level}", locale: person.language), words: "#{ending}#{said(words)}", address: polymorphic_url(place))
  end

  # @param request [AccessRequest] of a place that the person keeps
  def access_asked(person, request)
    write(person, name: name_of(request.place), by: request.person.name, email: request.person.email, words: said(request.words), address: polymorphic_url([ request.place, :access ]))
  end

  # @param request [JoinRequest]
  # @param token [String] of the address that works once
  def asked_to_join(request, token)
    addressee = Addressee.new(name: request.email, email: request.email, language: I18n.default_locale)
    write(addressee, secret: token, address: join_request_url(token))
  end

  # @param request [JoinRequest] that waits for an answer
  def join_asked(person, request)
    write(person, name: request.name, email: request.email, words: said(request.words), address: invitations_url)
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

  # @param place [Room, Page, nil]
  def name_of(place)
    place.is_a?(Room) ? place.name : place&.title
  end

  def paragraph(group, words)
    [ words.line(group, title: true), *words.notes(group).map { |note| "  “#{note}”" }, "  #{words.why(group)}", "  #{polymorphic_url(group.place)}" ].join("\n")
  end

  # What somebody wrote themselves, as a paragraph of its own.
  def said(words)
    words.blank? ? "" : "\n#{words.strip}\n"
  end

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
