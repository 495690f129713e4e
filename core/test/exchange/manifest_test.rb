require_relative "../test_helper"

class ManifestTest < Minitest::Test
  def test_the_order_of_a_book
    opf = %(<?xml version="1.0"?><package xmlns="http://www.idpf.org/2007/opf"><manifest><item id="a" href="text/a.xhtml"/><item id="b" href="b%20c.xhtml"/><item id="css" href="x.css"/></manifest><spine><itemref idref="b"/><itemref idref="none"/><itemref idref="a"/><itemref idref="b"/></spine></package>)
    assert_equal [ "b%20c.xhtml", "text/a.xhtml" ], Zuhause::Exchange::Manifest.read(opf).texts
  end

  def test_what_a_book_is_called_and_where_its_contents_are_listed
    opf = %(<package><metadata><dc:title xmlns:dc="x"> Ropes
      and lines </dc:title></metadata><manifest><item id="n" href="nav.xhtml" properties="scripted nav"/><item id="x" href="toc.ncx"/></manifest><spine toc="x"/></package>)
    assert_equal [ "Ropes and lines", [], "nav.xhtml", "toc.ncx" ], Zuhause::Exchange::Manifest.read(opf).to_a
    ncx = %(<ncx><navMap><navPoint><content src="a.xhtml"/><navPoint><content src="a.xhtml#two"/></navPoint></navPoint><navPoint><navPoint><content src=" b.xhtml "/></navPoint></navPoint></navMap><pageList><navPoint><content src="no"/></navPoint></pageList></ncx>)
    assert_equal [ [ 0, "a.xhtml" ], [ 1, "a.xhtml#two" ], [ 1, "b.xhtml" ] ], Zuhause::Exchange::Manifest.list(ncx)
  end

  def test_what_is_none
    bomb = %(<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><package><manifest><item id="&b;" href="&b;"/></manifest></package>)
    [ "", "no xml", "<package>", "\xff\xfe", bomb, "<a>" * 5000, %(<!DOCTYPE x SYSTEM "file:///etc/passwd"><package/>) ].each { |bytes| assert_equal [ [], [] ], [ Zuhause::Exchange::Manifest.read(bytes).texts, Zuhause::Exchange::Manifest.list(bytes) ], bytes[0, 20].inspect }
    assert_operator Zuhause::Exchange::Manifest.list("<navMap>#{'<navPoint><content src="x"/>' * 3000}").size, :<=, Zuhause::Exchange::Manifest::DEEPEST
  end
end
