# frozen_string_literal: true

require_relative "../core/3_candidates/field"
require_relative "../core/3_candidates/order_classes"
require_relative "../core/9_plan/signature"

module Gimlet
  module Counter
    # The order class of every candidate for a scope. Worked out once for each catalogue and scope.
    class OrderClassIndex
      # @return [Core::Candidates::Field]
      attr_reader :field

      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(snapshot)
        @snapshot = snapshot
        @field = Core::Candidates::Field.new(snapshot.variants)
        @ids = {}
        @lock = Mutex.new
      end

      # @param scope [Array<String>]
      # @return [Array<String>] in the order of the field
      def ids(scope)
        @lock.synchronize do
          @ids[scope.sort] ||= @snapshot.variants.map do |variant|
            Core::Candidates::OrderClasses.id(Core::Plan::Signature.of(variant, scope, @snapshot))
          end.freeze
        end
      end
    end
  end
end
