<?php

declare(strict_types=1);

namespace HonestCore\Custody;

/**
 * The entries of several phones on one composite, made one.
 *
 * Rule: a phone's last word on a core counts for that phone; phones that say the same agree; phones that differ are in
 *   conflict, which only a person settles, by an entry that names those it replaces. Neither the order of arrival nor a
 *   clock decides anything.
 * Source: the product's own.
 */
final readonly class PullMerge
{
    /**
     * @param array<int, PullEntry> $standing by core
     * @param array<int, non-empty-list<PullEntry>> $conflicts by core
     */
    private function __construct(public array $standing, public array $conflicts) {}

    /** @param list<PullEntry> $entries in any order, each once or more */
    public static function of(array $entries): self
    {
        $settled = array_fill_keys(
            array_merge(...array_map(static fn (PullEntry $entry): array => $entry->settles, $entries), ...[[]]),
            true,
        );
        $last = [];
        foreach ($entries as $entry) {
            $before = $last[$entry->core][$entry->device] ?? null;
            if (! isset($settled[$entry->id]) && ($before === null || $entry->ordinal > $before->ordinal)) {
                $last[$entry->core][$entry->device] = $entry;
            }
        }
        ksort($last);
        $standing = $conflicts = [];
        foreach ($last as $core => $words) {
            ksort($words);
            $words = array_values(
                array_filter($words, static fn (PullEntry $word): bool => $word->outcome !== Outcome::Undone),
            );
            if ($words === []) {
                continue;
            }
            $outcomes = array_unique(array_map(static fn (PullEntry $word): string => $word->outcome->value, $words));
            if (count($outcomes) > 1) {
                $conflicts[$core] = $words;
            } else {
                $standing[$core] = $words[0];
            }
        }

        return new self($standing, $conflicts);
    }

    public function up(): int
    {
        return count(array_filter($this->standing, static fn (PullEntry $entry): bool => $entry->outcome->isUp()));
    }
}
