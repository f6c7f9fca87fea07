# frozen_string_literal: true

module Gimlet
  module Core
    # What people sign in as. What each may do stands in the OpenAPI document (`x-roles`); the owner may do all of it.
    module Roles
      # counter: tickets and orders; bench: cards, ticks and what was tightened; keeper: catalogue, prices and stock; owner: all, and people.
      ALL = %w[counter bench keeper owner].freeze
      # Those that change what orders are made of.
      TRUSTED = %w[keeper owner].freeze
      # The page that each begins at.
      HOME = { "counter" => "/", "bench" => "/orders", "keeper" => "/desk/today", "owner" => "/" }.freeze
    end
  end
end
