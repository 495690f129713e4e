require_relative "answered"

# Prints how well sets of questions are answered. WRONG=1 tells which are not, of those that weights are set with.
module AnsweredReport
  # @param sets [Hash{String=>Answered}] by name; of +tune+ what goes wrong may be looked at
  def report(sets)
    sets.each do |name, set|
      set.check
      tell("#{name}: the house", house = set.by_house, set)
      tell("#{name}: with a slip each", set.with_slips, set)
      tell("#{name}: BM25 of any word", set.by_yardstick, set)
      wrong(house) if ENV["WRONG"] && name.start_with?("tune")
    end
  end

  private

  def tell(name, outcomes, set)
    answerable, others = outcomes.partition { |one| one.asked.answerable? }
    part = ->(list, &block) { 100.0 * list.count(&block) / [ list.size, 1 ].max }
    within = ->(which, most) { part.call(answerable) { |one| one[which] && one[which] < most } }
    printf "%-24s page %3.0f %3.0f %3.0f   section %3.0f %3.0f %3.0f   MRR %.2f   nothing %2d   wrongly sure %3.0f%% of %d   refused %3.0f%% of %d   median %3.0f, worst %3.0f ms\n", name,
           *[ 1, 3, 10 ].map { |most| within.call(:page, most) }, *[ 1, 3, 10 ].map { |most| within.call(:section, most) },
           answerable.sum { |one| one.section ? 1.0 / (one.section + 1) : 0 } / answerable.size, answerable.count { |one| one.page.nil? },
           part.call(others, &:sure), others.size, part.call(answerable) { |one| !one.sure }, answerable.size, set.median * 1000, set.worst * 1000
    $stdout.flush
  end

  def wrong(outcomes)
    outcomes.each do |one|
      next puts("  SURE #{one.asked.text}") if !one.asked.answerable? && one.sure
      next if !one.asked.answerable? || one.section&.zero?

      puts "  #{one.asked.text.ljust(60)} page #{one.page.inspect} section #{one.section.inspect}#{" UNSURE" unless one.sure}"
    end
  end
end
