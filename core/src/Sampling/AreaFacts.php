<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Table\RuleTable;

/**
 * What is known of an area that decides whether its ground may share a composite.
 *
 * Domain: codes of data/split.json; dates as well as they are known (ISO 8601: 2024, 2024-05, 2024-05-17), 1900 to
 * 2200; what is
 *   not known is left empty.
 */
final readonly class AreaFacts
{
    private const LISTS = ['surfaces', 'slopes', 'textures'];

    private const LONGEST_TEXT = 200;

    private const MOST_REASONS = 20;

    /**
     * @param list<string> $surfaces
     * @param list<string> $slopes
     * @param list<string> $textures
     * @param list<array{kind: string, on: string, part: bool, note: string}> $events
     * @param list<string> $joined what spoke against joining the two areas that it was made of, as far as no other
     *                             fact says so
     */
    private function __construct(
        public array $surfaces,
        public array $slopes,
        public array $textures,
        public string $colour,
        public string $cropsNow,
        public string $cropsWanted,
        public bool $irrigated,
        public bool $oldPaint,
        public bool $industry,
        public array $events,
        public array $joined,
    ) {}

    /**
     * @param array<mixed> $facts
     *
     * @throws BadTable
     * @throws ValueOutOfRange
     */
    public static function of(array $facts): self
    {
        $table = RuleTable::named('split');
        $lists = [];
        foreach (self::LISTS as $list) {
            $known = is_array($table[$list] ?? null) ? array_keys($table[$list]) : [];
            $given = array_values(array_unique(array_filter((array) ($facts[$list] ?? []), is_string(...))));
            $odd = array_diff($given, $known);
            if ($odd !== []) {
                throw new ValueOutOfRange('not_list', [
                    'code' => $odd[array_key_first($odd)],
                    'list' => $list,
                    'known' => implode(', ', $known),
                ]);
            }
            $lists[] = array_values(array_intersect(array_map(strval(...), $known), $given));
        }
        $text = static fn (string $key): string => is_string($facts[$key] ?? null)
            ? mb_substr(trim($facts[$key]), 0, self::LONGEST_TEXT)
            : '';
        $is = static fn (string $key): bool => ($facts[$key] ?? false) === true;

        return new self(
            $lists[0],
            $lists[1],
            $lists[2],
            $text('colour'),
            $text('crops_now'),
            $text('crops_wanted'),
            $is('irrigated'),
            $is('old_paint'),
            $is('industry'),
            array_map(self::event(...), array_values(array_filter((array) ($facts['events'] ?? []), is_array(...)))),
            array_map(
                static fn (string $reason): string => mb_substr($reason, 0, self::LONGEST_TEXT),
                array_slice(
                    array_values(array_filter((array) ($facts['joined'] ?? []), is_string(...))),
                    0,
                    self::MOST_REASONS,
                ),
            ),
        );
    }

    /** Is its soil said to be peaty, so that tables for mineral soils do not hold? */
    public function isPeaty(): bool
    {
        return in_array('organic', $this->textures, true);
    }

    /** Might metals be in it? */
    public function suspect(): bool
    {
        return $this->oldPaint || $this->industry;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'surfaces' => $this->surfaces,
            'slopes' => $this->slopes,
            'textures' => $this->textures,
            'colour' => $this->colour,
            'crops_now' => $this->cropsNow,
            'crops_wanted' => $this->cropsWanted,
            'irrigated' => $this->irrigated,
            'old_paint' => $this->oldPaint,
            'industry' => $this->industry,
            'events' => $this->events,
            'joined' => $this->joined,
        ];
    }

    private static function isDate(string $on): bool
    {
        if (preg_match('/^(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?$/', $on, $m) !== 1) {
            return false;
        }

        return $m[1] >= 1900 && $m[1] <= 2200 && checkdate((int) ($m[2] ?? 1), (int) ($m[3] ?? 1), (int) $m[1]);
    }

    /**
     * @param array<mixed> $event
     * @return array{kind: string, on: string, part: bool, note: string}
     */
    private static function event(array $event): array
    {
        $kinds = RuleTable::named('split')['events'];
        $kind = is_string($event['kind'] ?? null) ? $event['kind'] : '';
        $on = is_string($event['on'] ?? null) ? trim($event['on']) : '';
        if (! is_array($kinds) || ! isset($kinds[$kind])) {
            throw new ValueOutOfRange('no_event', [
                'kind' => $kind,
                'known' => implode(', ', is_array($kinds) ? array_keys($kinds) : []),
            ]);
        }
        if (! self::isDate($on)) {
            throw new ValueOutOfRange('date', ['kind' => $kind, 'on' => $on]);
        }

        return [
            'kind' => $kind,
            'on' => $on,
            'part' => ($event['part'] ?? false) === true,
            'note' => is_string($event['note'] ?? null) ? mb_substr($event['note'], 0, self::LONGEST_TEXT) : '',
        ];
    }
}
