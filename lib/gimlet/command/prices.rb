# frozen_string_literal: true

require_relative "../counter/take_price_list"
require_relative "../exchange/price_list"
require_relative "../store/stock"

module Gimlet
  class Command
    # Price lists.
    module PriceCommands
      VERBS = { ["prices", 2] => :prices, ["prices", 3] => :prices }.freeze

      private

      # All or nothing, unless the lines that cannot be read are to be left out; a dry run changes nothing.
      def prices(path, option = nil)
        unknown_option(option, "--dry-run", "--skip")
        list = Exchange::PriceList.read(path)
        take = Counter::TakePriceList.new(Store::Stock.new(database), catalogue.snapshot)
        found = take.dry_run(list)
        list.refused.each { |why| @out.puts "not taken: #{why}" }
        found.changes.each { |one| @out.puts change(one) } if option || list.refused.empty?
        return @out.puts("Nothing was changed.") || true if option == "--dry-run"

        @out.puts "Took #{take.call(list, mark: found.mark, skip: option == '--skip')} prices."
        true
      end

      def change(change)
        "#{change.number}: #{stocked(change.was)} → #{stocked(change.now)}#{'; it is in no catalogue: kept, and never sold' unless change.sold}"
      end

      def stocked(stock) = stock ? "#{Core::Money.plain(stock.price_cents)}, #{stock.on_hand} here, pack of #{stock.pack}" : "new"
    end
  end
end
