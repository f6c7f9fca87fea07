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
        @field = Core::Candidates::Field.new(snapshot.variants, Core::Catalogue::InHand.new(snapshot))
        @classes = {}
        @lock = Mutex.new
      end

      # @param scope [Array<String>]
      # @return [Core::Candidates::OrderClasses]
      def classes(scope)
        @lock.synchronize do
          @classes[scope.sort] ||= Core::Candidates::OrderClasses.new(
            @snapshot.variants, Core::Plan::Signature.all(@snapshot.variants, scope, @snapshot)
          )
        end
      end
    end
  end
end
