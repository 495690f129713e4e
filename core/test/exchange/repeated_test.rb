require_relative "../test_helper"

class RepeatedTest < Minitest::Test
  Exchange = Zuhause::Exchange

  # Pages of a manual: a bar, a line that leads to the neighbours, words of their own, a remark that all have in the middle, a foot.
  def test_bars_and_feet_are_found_and_what_stands_in_the_middle_is_not
    pages = Array.new(8) do |i|
      [ "manual/#{i}.html", "<body><div class=head><a href=a>Home</a> <a href=b>Help</a></div><div class=near><a href=x>To #{words(i, 2)}</a> <a href=y>And #{words(i + 50, 2)}</a></div>" \
                            "<h1>#{words(i, 3)}</h1><p>#{words(i, 60)}</p><div class=remark>Mind the ramp</div><p>#{words(i + 9, 60)}</p><div id=foot>All rights kept</div></body>" ]
    end.to_h
    surveys = pages.transform_values { |html| Exchange::Survey.of(html) }
    repeated = Exchange::Repeated.new(surveys.transform_values { |survey| [ survey.words, survey.parts ] })
    assert_equal [ "Home Help", "All rights kept" ], repeated.found.select(&:key).map(&:words)
    assert_equal [ "div.near" ], repeated.found.select(&:shape).map(&:shape)
    survey = surveys.fetch("manual/3.html")
    assert_equal %w[head near foot], survey.elements(repeated.of("manual/3.html")).map { |element| element["class"] || element["id"] }
  end

  # Some wrap the whole page into what is called as a bar is.
  def test_what_a_page_is_about_is_never_left_out
    around = { "main" => "<div role=main>%s</div>", "words" => "<div>%s</div>" }
    around.each do |name, own|
      pages = Array.new(6) { |i| [ "#{i}.html", "<body><div class=grid-for-nav><nav class=side><a href=a>Home</a> <a href=b>#{words(i, 2)}</a></nav><section>#{own % "<h1>#{words(i, 3)}</h1><p>#{words(i, 90)} <a href=c>#{words(i + 7, 4)}</a></p>"}</section></div></body>" ] }.to_h
      assert_equal [ "nav.side" ], repeated(pages).found.map(&:shape), name
    end
  end

  # Beside a bar that is the same on all, little may be left on a page, and most of that may lead elsewhere.
  def test_short_pages_of_pictures_and_links_keep_them
    bar = "<div class=bar>#{words(500, 30)} <a href=a>Home</a></div>"
    own = Array.new(6) { |i| [ "syntax/#{i}.html", "<body>#{bar}<h1>#{words(i, 1)}</h1><div class=drawn><svg></svg>Used by: <a href=x>#{words(i + 60, 20)}</a></div></body>" ] }
    long = Array.new(9) { |i| [ "#{i}.html", "<body>#{bar}<h1>#{words(i + 20, 3)}</h1><div class=drawn><svg></svg>Used by: <a href=x>#{words(i, 1)}</a></div><p>#{words(i + 30, 300)}</p></body>" ] }
    found = repeated((own + long).to_h)
    assert_equal [ "div.bar" ], found.of("syntax/3.html").map { |part| part.shape || "div.bar" }.uniq
  end

  # The same bar says other words in each folder, on the front of each and in another language.
  def test_a_bar_is_left_out_of_all_though_its_words_are_the_same_on_most
    crumbs = ->(i) { [ "Manual", "Folder#{i % 3}", *("Fronts" if i % 7 == 0) ].map { |name| "<a href=x>#{name}</a>" }.join(" ") }
    pages = Array.new(30) { |i| [ "m/#{i % 3}/#{i}.html", "<body><div class=menu>#{i < 3 ? "<a href=a>Daheim</a> <a href=b>Hilfe</a>" : "<a href=a>Home</a> <a href=b>Help</a>"}</div><div class=way>#{crumbs.(i)}</div><h1>#{words(i, 3)}</h1><p>#{words(i, 90)}</p></body>" ] }
    found = repeated(pages.to_h).found
    assert_equal [ [ "div.menu", 30 ], [ "div.way", 30 ] ], found.map { |part| [ part.shape, part.pages ] }.sort
    assert_equal "Home Help", found.find { |part| part.shape == "div.menu" }.words, "what most say"
  end

  def test_an_element_that_is_a_bar_elsewhere_stays_where_it_says_something
    pages = Array.new(30) { |i| [ "#{i}.html", "<body><div class=sub><a href=x>#{words(i, 2)}</a>#{" #{words(70, 40)}" if i == 5}</div><h1>#{words(i + 30, 3)}</h1><p>#{words(i, 90)}</p></body>" ] }.to_h
    found = repeated(pages)
    assert_equal %w[div.sub], found.found.map(&:shape)
    assert_equal [ 1, 0 ], %w[4.html 5.html].map { |path| Exchange::Survey.of(pages.fetch(path)).elements(found.of(path)).size }
  end

  def test_a_name_of_all_that_stands_where_titles_do
    pages = Array.new(6) { |i| [ "#{i}.html", "<body><h1 id=top><a href=a>All about ropes</a></h1><div><h2>#{words(i, 3)}</h2><p>#{words(i, 90)}</p></div></body>" ] }.to_h
    assert_equal [ "All about ropes" ], repeated(pages).found.map(&:words)
    pages = Array.new(6) { |i| [ "#{i}.html", "<body><h1>NAME</h1><p>#{words(i, 3)}</p><h1>WAYS</h1><p>#{words(i, 90)}</p></body>" ] }.to_h
    assert_empty repeated(pages).found
  end

  def test_few_pages_and_other_folders_have_nothing_in_common
    foot = ->(i) { "<body><p>#{words(i, 40)}</p><footer>The same foot</footer></body>" }
    assert_empty repeated(Array.new(3) { |i| [ "a/#{i}.html", foot.(i) ] }.to_h).found
    mixed = Array.new(5) { |i| [ "a/#{i}.html", foot.(i) ] } + Array.new(20) { |i| [ "b/#{i}.html", "<p>#{words(i + 30, 50)}</p>" ] }
    found = repeated(mixed.to_h)
    assert_equal [ "a/" ], found.found.map(&:folder)
    assert_empty found.of("b/1.html")
  end

  def test_what_only_those_share_that_lie_in_a_folder_itself
    pages = Array.new(6) { |i| [ "#{i}.html", "<div class=path>The top</div><p>#{words(i, 40)}</p>" ] } + Array.new(20) { |i| [ "mod/#{i}.html", "<p>#{words(i + 30, 50)}</p>" ] }
    found = repeated(pages.to_h)
    assert_equal [ [ "The top", "." ] ], found.found.map { |part| [ part.words, part.folder ] }
    assert_equal [ 1, 0 ], [ found.of("1.html").size, found.of("mod/1.html").size ]
  end

  # Whatever stands on a page, no more than what it shares with others is left out of it.
  # What heads a table on each page belongs to it.
  def test_cells_stay_in_their_table
    pages = Array.new(6) { |i| [ "#{i}.html", "<body><h1>#{words(i, 2)}</h1><table class=options><tr><td colspan=2><p><b>Options</b></p></td></tr><tr><td><p>#{words(i + 9, 1)}</p></td><td><p>#{words(i + 20, 40)}</p></td></tr></table></body>" ] }
    assert_empty repeated(pages.to_h).found
    bars = pages.to_h.transform_values { |html| html.sub("<body>", "<body><table><tr><td><p>Home</p></td><td><p>Help</p></td></tr></table>") }
    assert_equal [ "Home Help" ], repeated(bars).found.map(&:words)
  end

  def test_words_of_one_page_alone_stay
    random = Random.new(SEED)
    generate(40) do |round|
      own = Array.new(6) { |i| Array.new(30) { |j| "own#{round}x#{i}x#{j}" } }
      pages = own.each_with_index.to_h { |list, i| [ "#{i}.html", "<body>#{random.rand(2).zero? ? "<nav><a href=a>Up</a></nav>" : "<div>Up</div>"}<div class=c#{random.rand(2)}><p>#{list.join(" ")}</p></div><p>#{%w[A B C].sample(random: random)}</p></body>" ] }
      surveys = pages.transform_values { |html| Exchange::Survey.of(html) }
      repeated = Exchange::Repeated.new(surveys.transform_values { |survey| [ survey.words, survey.parts ] })
      surveys.each { |path, survey| refute_match(/own/, survey.elements(repeated.of(path)).map(&:text).join, "SEED=#{SEED}") }
    end
  end

  private

  def repeated(pages)
    Exchange::Repeated.new(pages.transform_values { |html| Exchange::Survey.of(html).then { |survey| [ survey.words, survey.parts ] } })
  end

  def words(seed, count)
    random = Random.new(seed)
    Array.new(count) { Array.new(5) { ("a".."z").to_a.sample(random: random) }.join }.join(" ")
  end
end
