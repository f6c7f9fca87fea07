# frozen_string_literal: true

require_relative "value"

module Gimlet::Core
  # What people sign in as: a row each. What asks for which right stands in the OpenAPI document (`x-right`) and with each step of an order.
  #
  #   Roles.may?("bench", "sell") # => false
  #   Roles.with("goods").map(&:id) # => ["counter", "keeper", "owner"]
  module Roles
    # `rights` what it may do, `home` the page that it begins at.
    Role = Value.of(:id, :rights, :home)

    # What somebody may be allowed: look at orders and catalogue and move pieces; work on pumps; see prices and what is bought; sell; keep
    # catalogue, prices and stock; see to people and the shop itself.
    RIGHTS = %w[look work goods sell keep own].freeze
    TABLE = [
      Role.new(id: "counter", rights: %w[look work goods sell], home: "/"),
      Role.new(id: "bench", rights: %w[look work], home: "/orders"),
      Role.new(id: "keeper", rights: %w[look goods keep], home: "/desk/today"),
      Role.new(id: "owner", rights: RIGHTS, home: "/")
    ].to_h { |role| [role.id, role] }.freeze

    ALL = TABLE.keys.freeze
    # Those that change what orders are made of.
    TRUSTED = TABLE.values.select { |role| role.rights.intersect?(%w[keep own]) }.map(&:id).freeze

    module_function

    # @param right [String] of RIGHTS
    # @return [Array<Role>]
    # @raise [KeyError] where there is no such right
    def with(right)
      RIGHTS.include?(right) || raise(KeyError, "“#{right}” is no right: use #{RIGHTS.join(', ')}.")
      TABLE.values.select { |role| role.rights.include?(right) }
    end

    # @return [Boolean]
    def may?(role, right) = with(right).any? { |one| one.id == role }

    # @return [String] "counter or keeper"; who may do all is named where nobody else may
    def named(right)
      others = with(right).reject { |role| role.rights == RIGHTS }
      others.empty? ? "the owner" : others.map(&:id).join(" or ")
    end
  end
end
