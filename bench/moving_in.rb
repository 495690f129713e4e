require "zip"
require_relative "moving_in/manual"
require_relative "moving_in/compared"

# Whole manuals from packages of the system, brought in as anybody would: what of them arrives, against an independent reading of the
# same files, and how long it takes.
class MovingInBench
  FOLDER = Rails.root.join("tmp/moving-in")
  # Lists of nothing but a page's own headings; those of directives that other pages tell of belong to the page.
  OWN = "#toc:not(:has(a:not([href^='#']))), #topics".freeze
  # +around+: what belongs to the manual and to none of its pages, as whoever looks at them would say; +up+: by what a page stands below
  # another one there.
  MANUALS = [
    Manual.new("apache2-doc", "usr/share/doc/apache2-doc/manual/en", around: "#page-header, #path, .up, .toplang, .bottomlang, #footer, .top, #comments_section, #{OWN}, h3:has(+ #{OWN.gsub(", ", "), h3:has(+ ")}), a[href='#comments_section']", up: :folders),
    Manual.new("sqlite3-doc", "usr/share/doc/sqlite3", around: ".nosearch, .fancy_toc, #toc_header, #toc_sub, #toc, p:has(> a[href='objlist.html']):has(> a[href='constlist.html']):last-of-type, p:has(> a[href='../changes.html']):has(> a[href='../chronology.html'])", up: :folders),
    Manual.new("developers-reference", "usr/share/developers-reference", around: ".related, .sphinxsidebar, .footer, .headerlink, .clearer, .footnote-reference, .fn-backref, [role=doc-backlink]", only: %r{\A[^/]*\z}, up: :contents),
    Manual.new("postgresql-doc-15", "usr/share/doc/postgresql-doc-15/html", around: ".navheader, .navfooter", up: :rels)
  ].freeze

  def run
    ActiveJob::Base.queue_adapter = :test # told of later
    House.create!(id: 1, name: "Manuals")
    @person = Person.create!(name: "Ida Karlow", email: "ida@manuals.example", password: "under-the-eaves")
    names = ENV["ONLY"]&.split(",")
    MANUALS.select { |manual| names.nil? || names.include?(manual.package) }.each { |manual| measure_manual(manual) }
  end

  private

  def measure_manual(manual)
    manual.fetch(FOLDER) or return puts("#{manual.package} cannot be had")
    arrival, read = timed { bring(manual) }
    to = Room.new(name: manual.package, colour: "brick").tap { |room| room.open_for(@person, open: true) }
    work, made = timed { arrival.reload.move_in(to, by: @person, publish: ENV["DRAFTS"].nil?).tap(&:run) }
    raise work.reload.attributes.inspect unless work.reload.state == "done"

    printf "\n%s: %d pages, read in %.0f s, made in %.0f s, at most %d MB\n", manual.package, work.total, read, made, File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024
    Compared.new(manual, arrival.reload).tell(wrong: ENV["WRONG"])
  end

  def bring(manual)
    arrival = Arrival.create!(person: @person, created_at: Time.current)
    arrival.keep([ [ "manual.zip", manual.packed ] ])
    work = arrival.begin_reading(address: "http://localhost").tap(&:run)
    raise work.reload.attributes.inspect unless work.reload.state == "done"

    arrival
  end

  def timed
    began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    [ yield, Process.clock_gettime(Process::CLOCK_MONOTONIC) - began ]
  end
end
