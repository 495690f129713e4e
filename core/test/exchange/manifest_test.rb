require_relative "../test_helper"

class ManifestTest < Minitest::Test
  def test_the_order_of_a_book
    opf = %(<?xml version="1.0"?><package xmlns="http://www.idpf.org/2007/opf"><manifest><item id="a" href="text/a.xhtml"/><item id="b" href="b%20c.xhtml"/><item id="css" href="x.css"/></manifest><spine><itemref idref="b"/><itemref idref="none"/><itemref idref="a"/><itemref idref="b"/></spine></package>)
    assert_equal [ "b%20c.xhtml", "text/a.xhtml" ], Zuhause::Exchange::Manifest.read(opf)
  end

  def test_what_is_none
    bomb = %(<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><package><manifest><item id="&b;" href="&b;"/></manifest></package>)
    [ "", "no xml", "<package>", "\xff\xfe", bomb, "<a>" * 5000, %(<!DOCTYPE x SYSTEM "file:///etc/passwd"><package/>) ].each { |bytes| assert_equal [], Zuhause::Exchange::Manifest.read(bytes), bytes[0, 20].inspect }
  end
end
