module ApplicationHelper
  # A drawing from app/assets/icons; what it means is told by the words beside it, or by +label+.
  def icon(name, label: nil, size: 18)
    meaning = label ? %(role="img" aria-label="#{h(label)}") : %(aria-hidden="true")
    %(<svg class="icon" width="#{size.to_i}" height="#{size.to_i}" viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="2" stroke-linecap="round" stroke-linejoin="round" #{meaning}>#{Icons.body(name)}</svg>).html_safe
  end

  # A page's icon: one of ours, or a picture of one's own.
  #
  # @param name [String] as kept with the page
  def page_icon(name, size:)
    file = Page::Looks.file_of(name) or return icon("page/#{name}", size: size)

    image_tag page_file_path(file, w: PageFile::ICON_WIDTH), alt: "", class: "icon icon-own", width: size, height: size
  end

  def title(text)
    content_for(:title, text)
  end

  # The day without more, for long lists.
  def short_day(time)
    date = time.in_time_zone.to_date
    (@short_days ||= {})[date] ||= l(date, format: date.year == Time.current.year ? :day : :day_and_year)
  end

  # @param time [Time] shown in the viewer's time zone
  def day(time)
    time = time.in_time_zone
    tag.time(l(time.to_date, format: time.year == Time.current.year ? :day : :day_and_year), datetime: time.iso8601, title: l(time, format: :exact))
  end

  # @param time [Time]
  def moment(time)
    time = time.in_time_zone
    tag.time(l(time, format: :exact), datetime: time.iso8601)
  end

  # @return [String, nil] somebody's name, for who meets it
  def known_name(person)
    person.name if viewer.meets?(person)
  end

  # Somebody's picture, or their initials.
  #
  # @param label [String, nil] what it says, where no name stands beside it
  def face(person, size: 34, label: nil)
    return image_tag(person_picture_path(person, v: person.picture.blob.key.first(8)), alt: label.to_s, class: "me", width: size, height: size) if person.picture.attached?

    tag.span(person.initials, class: "me", **(label ? { role: "img", "aria-label": label } : { "aria-hidden": true }))
  end

  # The viewer's own, as every screen has it.
  def own_face
    viewer.kept_fetch([ :face, viewer.person.id, I18n.locale ], of: [ :people ]) { face(viewer.person, label: t("layout.me", name: viewer.person.name)) }
  end

  # @return [ActiveSupport::SafeBuffer] text with its web addresses made links
  def auto_linked(text)
    safe_join(text.split(%r{(https?://\S+)}).map { |part| part.start_with?("http") ? link_to(part, part) : part })
  end

  # @param name [Symbol, Integer] see Zuhause::Access::Audience#name
  # @param guests [Integer] among them
  def audience_words(name, guests = 0)
    words = name.is_a?(Integer) ? t("audience.people", count: name) : t("audience.#{name}")
    name == :everyone && guests.positive? ? t("audience.with_guests", everyone: words, count: guests) : words
  end

  SIGNS = { anyone: "globe", everyone: "house", only_me: "lock" }.freeze

  # @return [String] the name of the sign for an audience
  def audience_icon(name)
    SIGNS.fetch(name, "users")
  end

  # Whom something is open to, by sign and word.
  def audience_sign(name, guests = 0)
    safe_join([ icon(audience_icon(name), size: 14), " ", audience_words(name, guests) ])
  end

  # A field with its label, its hint and what is wrong with it, tied together for everybody.
  def field(form, name, hint: nil, **options, &block)
    render "shared/field", form: form, name: name, hint: hint, options: options, control: block
  end

  # What is on or off, with what it means below: words from +scope+, under its name and its name with _hint.
  def switch(form, name, scope, checked: nil, **values)
    box = form.check_box(name, { checked: checked }.compact)
    tag.label(class: "tick") { box + tag.span(tag.b(t("#{scope}.#{name}")) + tag.small(t("#{scope}.#{name}_hint", **values))) }
  end

  # @param document [Hash]
  # @return [ActiveSupport::SafeBuffer] what stands inside an svg element
  def sketch(document)
    Zuhause::Markup::Sketch.draw(document).html_safe
  end

  # The language of a page's own text, if it is another than the screen's.
  def text_language(page)
    page.language ? tag.attributes(lang: page.language, dir: Page::Looks.direction(page.language)).then { |attributes| " #{attributes}".html_safe } : ""
  end

  # What is said of a room beside its door: who gets into one's own, else what it is for, as far as one may look around.
  def room_note(room)
    return t("rooms.own.note") if room.own? && room.owner_id == viewer.person&.id

    policy(room).look_around? ? room.description : ""
  end

  def room_class(room)
    "room-#{room.colour}"
  end
end
