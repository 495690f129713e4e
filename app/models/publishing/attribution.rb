# Who wrote which words of a page, of what is published and of the draft: carried along with each save and each edition
# (Zuhause::Attribution). A source is a person's id with the number of the edition since which the words stand there, none of
# words that no edition has held.
class Attribution < ApplicationRecord
  STAGES = %w[edition draft].freeze
  FIRST = 2 # version of a draft with which its words begin

  belongs_to :page

  class << self
    # Of a page whose first texts were not followed nothing is carried: it is worked out from its editions when somebody asks.
    def follow_draft(page, draft)
      stages = stages_of(page)
      body = draft.attributed ? draft.attributed.call(stages) : carried_body(page, draft, stages)
      write(page, "draft", draft.digest, body) if body
    end

    # Works out what a draft is going to be followed by, before the transaction in which it is kept: taking texts apart lets other
    # threads go first, and all who write would wait for that.
    #
    # @param draft [Draft] that is not saved yet
    # @return [#call] takes what is there by then, and gives what is to be written
    def ahead(page, draft)
      stages = stages_of(page)
      body = carried_body(page, draft, stages)
      lambda do |now|
        now.transform_values(&:body) == stages.transform_values(&:body) ? body : carried_body(page, draft, now)
      end
    end

    # All of it was written by whoever made them.
    def follow_founding(founded)
      rows = founded.select { |each| each.drafts.many? }.flat_map do |each|
        body = compressed(Zuhause::Attribution.map(each.draft.state.written) { [ each.draft.author_id, each.edition&.number ] })
        STAGES.last(each.edition ? 2 : 1).map { |stage| { page_id: each.page.id, stage: stage, digest: each.draft.digest, body: body } }
      end
      insert_all!(rows, record_timestamps: false) if rows.any?
    end

    # @param page [Page]
    # @return [Array(Hash, Hash), nil] what its draft says and who wrote it, as it comes into another page: no edition there
    #   has held it
    def as_source(page)
      row = of(page, "draft") or return
      document, runs = texts_of(row).first
      [ document, Zuhause::Attribution.map(runs) { |person, _number| [ person, nil ] } ]
    end

    # What the draft says is published as it stands there; anything else is carried from the edition before.
    def follow_edition(page, edition)
      draft, published = of(page, "draft"), of(page, "edition")
      return unless draft

      since = ->(runs) { Zuhause::Attribution.map(runs) { |person, number| [ person, number || edition.number ] } }
      if draft.digest == edition.digest && edition.draft_version
        body = compressed(since.call(draft.runs))
        return STAGES.each { |stage| write(page, stage, edition.digest, body) }
      end

      base = published || draft
      put(page, "edition", edition.digest, since.call(carried(page, base, edition.state, source: [ edition.author_id, edition.number ]).runs))
    end

    # The draft says what is published again.
    def follow_discard(page)
      published = of(page, "edition") or return
      carry(page, published, page.draft.state, source: [ page.draft.author_id, nil ])
    end

    # @param page [Page]
    # @param stage [String]
    # @return [Attribution]
    def for(page, stage)
      of(page, stage)&.then { |row| row if row.digest == holder(page, stage).digest } || from_history(page, stage)
    end

    # @param old [State, nil]
    # @param new [State]
    # @return [Hash] words_added and words_removed
    def size_of_change(old, new)
      return { words_added: Zuhause::Attribution.words(new.written), words_removed: 0 } unless old

      carrying = Zuhause::Attribution.carry(old.document, {}, new.document, source: nil)
      { words_added: carrying.added, words_removed: carrying.removed }
    end

    # @return [Array(Hash, Hash), nil] the text that a row tells of, and its runs
    def texts_of(*rows)
      rows.compact.filter_map { |row| Text.find_by(page_id: row.page_id, digest: row.digest)&.then { |text| [ text.document, row.runs ] } }
    end

    def of(page, stage)
      find_by(page_id: page.id, stage: stage)
    end

    private

    # @return [Hash{String=>Attribution}] by stage
    def stages_of(page)
      where(page_id: page.id).index_by(&:stage)
    end

    # @return [String, nil] nil where nothing is carried
    def carried_body(page, draft, stages)
      row, source = stages["draft"], [ draft.author_id, nil ]
      return (compressed(first_runs(page, draft, source)) if (draft.version || (draft.base_version + 1)) <= FIRST) unless row
      return row.body if row.digest == draft.digest

      compressed(carried(page, row, draft.state, source: source, besides: [ *texts_of(stages["edition"]), *page.drawn_from ]).runs)
    end

    def first_runs(page, draft, source)
      return Zuhause::Attribution.map(draft.state.written) { source } if page.drawn_from.empty?

      Zuhause::Attribution.carry(Zuhause::Document.empty, {}, draft.state.document, source: source, besides: page.drawn_from).runs
    end

    def holder(page, stage)
      stage == "edition" ? page.edition : page.draft
    end

    def carry(page, row, state, source:, besides: [])
      put(page, "draft", state.digest, row.digest == state.digest ? row.runs : carried(page, row, state, source: source, besides: besides).runs)
    end

    def carried(page, row, state, source:, besides: [])
      old = Text.find_by(page_id: page.id, digest: row.digest)&.document || Zuhause::Document.empty
      Zuhause::Attribution.carry(old, row.runs, state.document, source: source, besides: besides)
    end

    def put(page, stage, digest, runs)
      write(page, stage, digest, compressed(runs))
    end

    def compressed(runs)
      Text.compress(JSON.generate(runs))
    end

    def write(page, stage, digest, body)
      upsert({ page_id: page.id, stage: stage, digest: digest, body: body }, unique_by: %i[page_id stage], record_timestamps: false)
    end

    # From all editions, one after another, as if whoever published each had written it.
    def from_history(page, stage)
      document, runs = Zuhause::Document.empty, {}
      page.editions.order(:number).includes(:text).find_each do |edition|
        runs = Zuhause::Attribution.carry(document, runs, edition.document, source: [ edition.author_id, edition.number ]).runs
        document = edition.document
        break if edition.id == page.edition_id
      end
      put(page, "edition", page.edition.digest, runs) if page.edition
      put(page, "draft", page.draft.digest, Zuhause::Attribution.carry(document, runs, page.draft.document, source: [ page.draft.author_id, nil ]).runs)
      of(page, stage)
    end
  end

  # @return [String] tells it from any other
  def key
    Digest::SHA256.hexdigest(body)[0, Text::DIGITS]
  end

  # @return [Hash{String=>Array<Array(Integer, Array(Integer, Integer|nil))>}] by block id
  def runs
    @runs ||= JSON.parse(Zlib.inflate(body))
  end
end
