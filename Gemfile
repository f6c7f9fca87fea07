# frozen_string_literal: true

source "https://rubygems.org"

# The version that comes with Ruby 3.1: nothing to compile.
gem "fiddle", "= 1.1.0"
gem "highs", "= 0.2.6"
gem "json_schemer", "~> 2.4"
gem "prawn", "~> 2.5"
gem "prawn-table", "~> 0.2"
gem "puma", "~> 6.4"
gem "sequel", "~> 5.80"
gem "sinatra", "~> 4.0"
gem "sqlite3", "~> 2.0"

group :test do
  gem "capybara", "~> 3.40"
  gem "minitest", "~> 5.20"
  gem "pdf-reader", "~> 2.12"
  gem "rack-test", "~> 2.1"
  gem "rubocop", "~> 1.60", require: false
  gem "ruby-units", "~> 4.0"
  gem "rubyzip", "< 3"
  gem "selenium-webdriver", "~> 4.20"
end
