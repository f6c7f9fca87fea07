# frozen_string_literal: true

require "minitest/autorun"
require "sequel"
require_relative "../../lib/gimlet/store/paging"

# Lists by the page.
class PagingTest < Minitest::Test
  Paging = Gimlet::Store::Paging

  def pages(count, words = nil, page = 1)
    database = Sequel.sqlite
    database.create_table(:things) { String :words }
    database[:things].import([:words], (1..count).map { |at| ["harbour #{at} a b c d e f g 5% i"] })
    Paging.call(database[:things], :words, words, page) { |rows| rows.select_map(:words) }
  end

  def test_how_many_pages_there_are
    { 0 => 1, 1 => 1, Paging::SIZE => 1, Paging::SIZE + 1 => 2 }.each do |count, wanted|
      assert_equal [count, wanted], pages(count).to_h.values_at(:total, :pages)
    end
    sizes = [1, 2].map { |page| pages(Paging::SIZE + 1, nil, page).rows.size }
    assert_equal [Paging::SIZE, 1], sizes
    assert_empty pages(3, nil, 2).rows
  end

  def test_all_words_stand_somewhere_and_none_is_a_pattern
    assert_equal 1, pages(9, "HARBOUR 7").total
    assert_equal 0, pages(9, "harbour 7 quay").total
    assert_equal [9, 0], [pages(9, "5%").total, pages(9, "6%").total]
    assert_equal 0, pages(9, "h_rbour").total
  end

  # A pasted page of text is not looked for word by word.
  def test_the_first_eight_words_count
    assert_equal [0, 9], [pages(9, "a b c d e f g quay").total, pages(9, "a b c d e f g i quay").total]
  end
end
