# frozen_string_literal: true

source "https://rubygems.org"
ruby ">= 3.1", "< 3.5"

# The versions that come with Ruby 3.1: nothing to compile.
gem "bigdecimal", "= 3.1.1"
gem "fiddle", "= 1.1.0"
gem "racc", "= 1.6.0"

gem "bcrypt", "~> 3.1"
# Comes with Ruby up to 3.3 only.
gem "csv", "~> 3.2"
gem "highs", "= 0.2.6"
gem "icalendar", "~> 2.10"
# Sees a key that stands twice in one object, as the one that comes with Ruby does not.
gem "json", "~> 3.0"
gem "json_schemer", "~> 2.4"
gem "prawn", "~> 2.5"
gem "prawn-table", "~> 0.2"
gem "puma", "~> 6.4"
gem "rqrcode_core", "~> 1.2"
gem "sequel", "~> 5.80"
gem "sinatra", "~> 4.0"
gem "sqlite3", "~> 2.0"
# Spreadsheets row by row, with a parser of its own: no entities, no libxml2.
gem "xsv", "~> 1.3"

group :test do
  gem "capybara", "~> 3.40"
  gem "minitest", "~> 5.20"
  gem "money", "~> 6.19"
  # The last that comes ready built for Ruby 3.1's own RubyGems; Capybara wants it.
  gem "nokogiri", "~> 1.16.8"
  gem "pdf-reader", "~> 2.12"
  gem "rack-test", "~> 2.1"
  gem "rubocop", "~> 1.60", require: false
  gem "ruby-units", "~> 4.0"
  gem "rubyzip", "< 3"
  gem "selenium-webdriver", "~> 4.20"
end
