# A work that pages cite, kept once for the house: what is corrected here is corrected wherever it is cited.
class Source < ApplicationRecord
  include PubliclyIdentified

  LONGEST = 300
  PORTION = 50 # entered in one transaction, which holds up whoever saves
  DATE = /\A\d{4}(-\d{2}(-\d{2})?)?\z/
  TRACKING = /\A(utm_\w+|fbclid|gclid)=/ # of no meaning for what an address leads to
  COMPARED = %w[title author publisher date].freeze

  belongs_to :entered_by, class_name: "Person"

  normalizes :title, :author, :publisher, :date, with: ->(text) { Zuhause::Document::Title.clean(text.to_s) }
  normalizes :address, with: ->(text) { text.to_s.strip }
  before_validation { self.same_address = self.class.same(address) unless apart }

  # Whether it stands beside another of the same address, which whoever enters it does not know of.
  attr_accessor :apart

  validates :title, presence: true
  validates :title, :author, :publisher, length: { maximum: LONGEST }
  validates :date, format: { with: DATE }, allow_blank: true
  validates :same_address, uniqueness: true, allow_nil: true
  validate :address_leads_into_the_web

  scope :by_title, -> { order(Arel.sql("title COLLATE NOCASE"), :id) }
  # Members find all; guests what they entered, and what is cited where they read.
  scope :open_to, lambda { |viewer|
    next all if viewer.active_member?

    where(entered_by: viewer.person).or(where(public_id: Reference.from_editions.where(use: "cite", page: Page.read_by(viewer)).select(:target_id)))
  }
  scope :matching, lambda { |text|
    text.to_s.split.first(8).reduce(all) do |found, word|
      pattern = "%#{sanitize_sql_like(word)}%"
      found.where("title LIKE :word OR author LIKE :word OR publisher LIKE :word OR address LIKE :word", word: pattern)
    end
  }

  # @param address [String, nil]
  # @return [String, nil] what is equal for addresses that lead to the same: without scheme, "www.", fragment, closing slash
  #   and marks of tracking
  def self.same(address)
    target = Zuhause::Links::Target.parse(address.to_s)
    return unless target&.kind == :web

    rest, query = target.value.sub(/#.*\z/m, "").split("?", 2)
    host, path = rest.sub(%r{\Ahttps?://(www\.)?}i, "").split("/", 2)
    query = query.to_s.split("&").grep_v(TRACKING).sort.join("&")
    [ "#{host.downcase}/#{path}".chomp("/"), query.presence ].compact.join("?")
  end

  # Enters a work, unless it is there already: by its address, or by all that is said of it.
  #
  # @return [Source] with errors if it cannot be kept; +previously_new_record?+ tells whether it is new
  def self.enter(attributes, by:)
    source = new(attributes.merge(entered_by: by))
    source.validate
    open = open_to(Viewer.new(by))
    known = source.same_address ? open.find_by(same_address: source.same_address) : open.find_by(source.attributes.slice(*COMPARED, "address"))
    return known if known

    source.assign_attributes(apart: true, same_address: nil) if source.same_address && exists?(same_address: source.same_address)
    source.tap(&:save)
  end

  # @param works [Array<Zuhause::Exchange::Bibliography::Work>]
  # @return [Array(Integer, Integer, Array<String>)] how many are new, how many were there, and titles of those that cannot be kept
  def self.take_in(works, by:)
    entered = works.each_slice(PORTION).flat_map do |portion|
      transaction { portion.map { |work| enter(entered_from(work), by: by) } }
    end
    wrong, kept = entered.partition { |source| source.errors.any? }
    fresh, known = kept.partition(&:previously_new_record?)
    [ fresh.size, known.size, wrong.map(&:title) ]
  end

  def self.entered_from(work)
    { title: work.title.first(LONGEST), author: work.author.first(LONGEST), publisher: work.publisher.first(LONGEST), address: work.address, date: work.date[DATE].to_s, accessed_on: day(work.accessed) }
  end
  private_class_method :entered_from

  def self.day(text)
    Date.iso8601(text)
  rescue Date::Error
    nil
  end
  private_class_method :day

  # @return [ActiveRecord::Relation<Reference>] where it is cited
  def citations
    Reference.to(:source, public_id)
  end

  # @param viewer [Viewer]
  def open_for_change?(viewer)
    viewer.active_member? || entered_by_id == viewer.person&.id
  end

  # @return [Zuhause::Exchange::Bibliography::Work]
  def to_work
    Zuhause::Exchange::Bibliography::Work.new(key: public_id, title: title, author: author, publisher: publisher, address: address, date: date, accessed: accessed_on&.iso8601)
  end

  private

  def address_leads_into_the_web
    errors.add(:address, :no_address) if address.present? && self.class.same(address).nil?
  end
end
