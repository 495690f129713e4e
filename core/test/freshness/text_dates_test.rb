require_relative "../test_helper"

class FreshnessTextDatesTest < Minitest::Test
  TextDates = Zuhause::Freshness::TextDates

  def read(text)
    TextDates.in_text(text).map { |day, words| [ day.iso8601, words ] }
  end

  def test_days_are_read_as_people_write_them
    { "until 31 March 2027" => "2027-03-31", "by March 31, 2027" => "2027-03-31", "on the 1st of May 2027" => "2027-05-01", "from 2027-04-01 on" => "2027-04-01", "bis 1.5.2027" => "2027-05-01",
      "am 3. März 2027" => "2027-03-03", "ab dem 24. Dez. 2027" => "2027-12-24", "in February 2028" => "2028-02-29", "bis Ende Oktober 2027" => "2027-10-31", "(Sept 5, 2027)" => "2027-09-05" }.each do |text, day|
      assert_equal [ day ], read(text).map(&:first), text
    end
  end

  def test_what_is_no_day_is_left_alone
    [ "version 1.2.2027.4", "page 2027", "31 February 2027", "2027-13-01", "12/5/2027", "call 12.2027", "order 20270401", "in May", "Marching 2027", "the 2027 season" ].each { |text| assert_empty read(text), text }
  end

  def test_several_stand_in_order_and_the_longer_form_counts
    assert_equal [ [ "2027-03-31", "31 March 2027" ], [ "2028-05-31", "May 2028" ], [ "2027-01-02", "2027-01-02" ] ], read("31 March 2027, then May 2028, but 2027-01-02")
  end

  def test_of_a_document_code_is_left_alone_and_date_nodes_count
    blocks = [ block("paragraph", "abcdefgh", text("Until 1 May 2027.")), block("code_block", "code0000", text("2027-06-01")), block("heading", "head0000", text("March 2028"), "level" => 1),
               block("paragraph", "dated000", { "type" => "date", "attrs" => { "date" => "2027-07-01" } }) ]
    assert_equal [ [ Date.new(2027, 5, 1), "abcdefgh" ], [ Date.new(2028, 3, 31), "head0000" ], [ Date.new(2027, 7, 1), "dated000" ] ], TextDates.in({ "type" => "doc", "content" => blocks }).map { |found| [ found.on, found.block_id ] }
  end

  def test_any_day_is_found_again_in_any_form_and_any_text_is_read
    random = Random.new(Integer(ENV.fetch("SEED", "7")))
    200.times do
      day = Date.new(2000, 1, 1) + random.rand(70_000)
      form = [ "%-d %B %Y", "%B %-d, %Y", "%Y-%m-%d", "%-d.%-m.%Y", "%-d %b %Y" ].sample(random: random)
      assert_equal [ day.iso8601 ], read("It holds until #{day.strftime(form)}, and no longer").map(&:first), day.strftime(form)
    end
    300.times { read(Array.new(random.rand(60)) { [ *"0".."9", " ", ".", "-", "May ", "march ", "20", "é", "\u{1F600}" ].sample(random: random) }.join).each { |day, _words| Date.iso8601(day) } }
  end

  private

  def text(words)
    { "type" => "text", "text" => words }
  end

  def block(type, id, child, more = {})
    { "type" => type, "attrs" => { "id" => id, **more }, "content" => [ child ] }
  end
end
