# frozen_string_literal: true

require_relative "../core/value"

module Gimlet
  module Store
    # Lists that are searched and shown by the page.
    #
    #   Paging.call(database[:order_list], :words, "harbour", 2) { |some| some.select_map(:summary) }.pages # => 6
    module Paging
      SIZE = 50
      # `rows` of one page, `total` of all that match.
      Page = Core::Value.of(:rows, :total, :page, :pages)

      module_function

      # @param rows [Sequel::Dataset] with a column `words`
      # @param words [String, nil] all of them must stand somewhere in it
      # @param page [Integer] from 1
      # @yield [Sequel::Dataset] of one page; answers its rows
      # @return [Page]
      def call(rows, column, words, page)
        found = words.to_s.downcase.split.first(8).reduce(rows) { |all, word| all.where(Sequel.like(column, "%#{rows.escape_like(word)}%")) }
        total = found.count
        Page.new(rows: yield(found.limit(SIZE, (page - 1) * SIZE)), total: total, page: page, pages: [(total / SIZE.to_f).ceil, 1].max)
      end
    end
  end
end
