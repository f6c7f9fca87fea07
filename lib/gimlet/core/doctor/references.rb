# frozen_string_literal: true

require_relative "../plain"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Whatever names something else names something that is there, once.
    class References
      include Saying

      # Keys whose rows have an id of their own, and what that is.
      NAMED = { models: :designation, serial_breaks: :id, parts: :number, kits: :number, stacks: :id, areas: :id, groups: :id, fasteners: :id,
                tools: :id, consumables: :id, faces: :id }.freeze

      IDLE = { groups: "an area opens it, or another group comes off after it", stacks: "an area renews it, or a group disturbs it",
               fasteners: "a group has it among its fasteners", tools: "an area or a group needs it",
               consumables: "a group, an area or a layer takes it" }.freeze

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
      end

      # @return [Array<Remark>]
      def call = repeated + models + stacks + areas + groups + closing + fasteners + breaks + sources + notes + renewed + circular + idle

      private

      def ids(list) = @series.public_send(list).map(&NAMED.fetch(list))

      def repeated
        NAMED.flat_map do |list, key|
          ids(list).tally.select { |_, times| times > 1 }.map { |id, times| error("#{list}.#{id}", "stands #{times} times: each #{key} once.") }
        end + both_kinds
      end

      def both_kinds
        (ids(:parts) & ids(:kits)).map { |number| error("kits.#{number}", "is a part and a kit: a number is one of them.") }
      end

      def missing(place, wanted, list)
        (Array(wanted).compact - ids(list)).map do |id|
          error(place, "there is no #{Plain.name(list.to_s.delete_suffix('s'))} “#{id}”.#{instead(id, ids(list))}")
        end
      end

      def models
        @series.models.flat_map { |model| missing("models.#{model.designation}.service.sold_as", model.service&.fetch("sold_as", nil), :parts) }
      end

      def usages(place, entry)
        entry.consumables.flat_map { |usage| missing("#{place}.consumables", usage.consumable, :consumables) }
      end

      def stacks
        @series.stacks.flat_map do |stack|
          slots = stack.layers.map(&:slot)
          stack.layers.flat_map { |layer| layer(stack, layer, slots) }
        end
      end

      def layer(stack, layer, slots)
        place = "stacks.#{stack.id}.#{layer.slot}"
        others = slots - [layer.slot]
        decided = layer.criteria.flat_map { |one| one.decides || [] }
        [*layer.inside, *layer.renew_with, *layer.behind, *decided].reject { |slot| others.include?(slot) }.map do |slot|
          error(place, "stack “#{stack.id}” has no other layer “#{slot}”.#{instead(slot, others)}")
        end + usages(place, layer)
      end

      def areas
        @series.areas.flat_map do |area|
          place = "areas.#{area.id}"
          missing("#{place}.stacks", area.stacks, :stacks) + missing("#{place}.opens", area.opens, :groups) +
            missing("#{place}.tools", area.tools + area.work.flat_map(&:tools), :tools) + usages(place, area) + handled(place, area)
        end + together
      end

      # A sentence that is done on the way names what it is done to.
      def handled(place, area)
        known = area.stacks.filter_map { |id| @series.stack(id) }.flat_map(&:layers).map(&:slot).uniq
        (area.work.flat_map { |work| [*work.of, *work.renewing] }.uniq - known).map do |slot|
          error("#{place}.work", "no stack of this area has a layer “#{slot}”.#{instead(slot, known)}")
        end
      end

      def together
        @series.together.flat_map { |rule| missing("change_together", rule.areas, :areas) }
      end

      def groups
        @series.groups.flat_map do |group|
          place = "groups.#{group.id}"
          missing("#{place}.after", group.after, :groups) + missing("#{place}.fasteners", group.fasteners, :fasteners) +
            missing("#{place}.tools", group.tools, :tools) + missing("#{place}.disturbs", group.disturbs.keys, :stacks) +
            usages(place, group) + slots("#{place}.disturbs", group.disturbs) + keys("#{place}.on", group.on)
        end
      end

      # @param wanted [Hash{String=>Array<String>}] stack id => slots
      def slots(place, wanted)
        wanted.flat_map do |id, slots|
          stack = @series.stack(id) or next []
          known = stack.layers.map(&:slot).uniq
          (slots - known).map { |slot| error(place, "stack “#{id}” has no layer “#{slot}”.#{instead(slot, known)}") }
        end
      end

      def closing
        @series.close_order.flat_map do |step|
          place = "close_order.#{step.key}"
          missing(place, step.group, :groups) + missing(place, step.tighten, :fasteners) + missing(place, step.tools, :tools) +
            missing(place, step.puts.keys, :stacks) + usages(place, step) + slots(place, step.puts) + keys(place, step.after)
        end + axes
      end

      # Steps of closing are called by their key; without an order of its own only groups are steps.
      def keys(place, wanted)
        known = ids(:groups) | @series.close_order.map(&:key)
        (wanted - known).map { |key| error(place, "there is no group or closing step “#{key}”.#{instead(key, known)}") }
      end

      def axes
        @series.axes.flat_map do |axis|
          passages = (axis.passed_by || []).flat_map do |passage|
            missing("axes", passage.carries.keys, :stacks) + slots("axes", passage.carries) + keys("axes", [passage.by]) + passed(axis, passage)
          end
          missing("axes", axis.stacks.map(&:first), :stacks) + passages
        end
      end

      def passed(axis, passage)
        known = axis.stacks.filter_map { |id, _| @series.stack(id) }.flat_map(&:layers).map(&:slot)
        known.include?(passage.to) ? [] : [error("axes", "no stack of this axis has a layer “#{passage.to}”.#{instead(passage.to, known)}")]
      end

      def fasteners
        positions = @series.stacks.flat_map(&:positions).uniq
        @series.fasteners.flat_map do |fastener|
          held = fastener.points.flat_map { |point| point.at || [] }.uniq
          missing("fasteners.#{fastener.id}.face", fastener.face, :faces) + (held - positions).map do |part|
            error("fasteners.#{fastener.id}", "holds “#{part}”, a position that no stack has.#{instead(part, positions)}")
          end
        end
      end

      def breaks
        @series.serial_breaks.flat_map { |serial_break| missing("serial_breaks.#{serial_break.id}.models", serial_break.models, :models) }
      end

      # Places that a source speaks of: lists, or entries of them.
      def sources
        lists = NAMED.keys.map(&:to_s) + %w[traits fits]
        @series.sources.flat_map(&:of).uniq.filter_map do |place|
          list, name = place.split(".", 2)
          next error("sources", "“#{place}” is no list of the document.#{instead(list, lists)}") unless lists.include?(list)
          next if name.nil? || list == "traits" || entries(list).include?(name)

          error("sources", "“#{place}” names nothing in #{list}.#{instead(name, entries(list))}")
        end
      end

      def entries(list) = list == "fits" ? @series.fits.map(&:slot).uniq : ids(list.to_sym)

      def notes
        known = ids(:groups) + ids(:areas)
        { "cautions" => @series.cautions, "finish" => @series.finish, "refit" => [@series.refit].compact,
          "close_order" => @series.close_order.select(&:id) }.flat_map do |list, entries|
          entries.flat_map do |entry|
            next [] if entry.when == "always"

            (entry.when - known).map { |id| error("#{list}.when", "there is no group or area “#{id}”.#{instead(id, known)}") }
          end
        end
      end

      # What is said of renewed pieces names pieces.
      def renewed
        known = @series.stacks.flat_map(&:layers).map(&:slot).uniq
        { "cautions" => @series.cautions, "finish" => @series.finish }.flat_map do |list, entries|
          (entries.flat_map { |entry| entry.renewing || [] }.uniq - known).map do |slot|
            error("#{list}.renewing", "no stack has a layer “#{slot}”.#{instead(slot, known)}")
          end
        end
      end

      # What nothing leads to was probably forgotten somewhere else.
      def idle
        areas, groups, steps = @series.areas, @series.groups, @series.close_order
        layers = @series.stacks.flat_map(&:layers)
        disturbed = groups.flat_map { |group| group.disturbs.keys }
        used = { groups: areas.flat_map(&:opens) + groups.flat_map(&:after), stacks: areas.flat_map(&:stacks) + disturbed + steps.flat_map do |step|
          step.puts.keys
        end,
                 fasteners: groups.flat_map(&:fasteners), tools: (areas + groups + steps + areas.flat_map(&:work)).flat_map(&:tools),
                 consumables: (areas + groups + layers + steps).flat_map(&:consumables).map(&:consumable) }
        used.flat_map { |list, ids| (ids(list) - ids).map { |id| warning("#{list}.#{id}", "is used by nothing: #{IDLE.fetch(list)}.") } }
      end

      def circular
        @series.groups.select { |group| reaches?(group.id, group.id) }
               .map { |group| error("groups.#{group.id}.after", "comes off after itself: take one of the groups out of the circle.") }
      end

      def reaches?(from, goal, seen = [])
        (@series.group(from)&.after || []).any? do |id|
          id == goal || (!seen.include?(id) && reaches?(id, goal, [*seen, id]))
        end
      end
    end
  end
end
