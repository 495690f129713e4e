module ApplicationHelper
  # A drawing from app/assets/icons; what it means is told by the words beside it, or by +label+.
  def icon(name, label: nil, size: 18)
    body = Icons.body(name)
    attributes = { class: "icon", width: size, height: size, viewBox: "0 0 24 24", fill: "none", stroke: "currentColor", "stroke-width": 2,
                   "stroke-linecap": "round", "stroke-linejoin": "round" }
    attributes.merge!(label ? { role: "img", "aria-label": label } : { "aria-hidden": true })
    tag.svg(body, **attributes)
  end

  def title(text)
    content_for(:title, text)
  end

  # @param time [Time]
  def day(time)
    tag.time(l(time.to_date, format: time.year == Time.current.year ? :day : :day_and_year), datetime: time.iso8601, title: l(time, format: :exact))
  end

  # @param name [Symbol, Integer] see Zuhause::Access::Audience#name
  def audience_words(name)
    name.is_a?(Integer) ? t("audience.people", count: name) : t("audience.#{name}")
  end

  # A field with its label, its hint and what is wrong with it, tied together for everybody.
  def field(form, name, hint: nil, **options, &block)
    render "shared/field", form: form, name: name, hint: hint, options: options, control: block
  end

  def room_class(room)
    "room-#{room.colour}"
  end
end
