# Words are looked up many times a screen and never change while the house is open.
require "i18n/backend/memoize"
I18n::Backend::Simple.include(I18n::Backend::Memoize) unless Rails.env.development?
