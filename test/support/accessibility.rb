# Runs axe-core in the page. Its findings are what WCAG 2.2 AA and good practice would have otherwise.
module Accessibility
  AXE = Rails.root.join("node_modules/axe-core/axe.min.js").read.freeze

  def assert_accessible
    page.execute_script(AXE) unless page.evaluate_script("typeof window.axe === 'object'")
    findings = page.evaluate_async_script(<<~JS)
      const done = arguments[0]
      axe.run(document, { resultTypes: ["violations"] }).then((result) => done(result.violations.map((finding) =>
        `${finding.id}: ${finding.help} — ${finding.nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`)))
    JS
    assert_empty findings, "axe-core on #{page.current_path}"
  end
end
