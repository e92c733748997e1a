<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\ProgramChange;
use App\Models\ProgramDraft;
use App\Models\User;
use HonestCore\Program\ProgramChoices;

/** Keeps what somebody chose for a program; each change stays in sight with its reason. */
final class ChangeDraft
{
    private const LONGEST = 1000;

    public function __construct(private readonly ComposeProgram $compose) {}

    /** @param int $version of the draft that the change was made on; 0 where there was none */
    public function __invoke(Area $area, User $author, ProgramChoices $choices, int $version, string $reason): ProgramDraft
    {
        return AllOrNothing::of(function () use ($area, $author, $choices, $version, $reason): ProgramDraft {
            $season = (int) substr($choices->plantOn, 0, 4);
            $draft = ProgramDraft::for($area, $choices->crop, $season);
            if (($draft->version ?? 0) !== $version) {
                throw Conflict::because('draft_moved');
            }
            $before = $draft->choices ?? $this->compose->usual($area, $choices->crop, $season);
            if ($draft === null) {
                $draft = ProgramDraft::record([
                    'area_id' => $area->id,
                    'created_by' => $author->id,
                    'crop' => $choices->crop,
                    'season' => $season,
                    'choices' => $choices,
                ]);
            } else {
                $draft->update(['choices' => $choices, 'version' => $draft->version + 1]);
            }
            ProgramChange::record([
                'draft_id' => $draft->id,
                'created_by' => $author->id,
                'what' => self::what($before, $choices),
                'reason' => $reason,
            ]);

            return $draft->refresh()->load('edits.author');
        });
    }

    /** What is other than before, from and to. */
    private static function what(ProgramChoices $before, ProgramChoices $after): string
    {
        [$old, $new, $said] = [$before->toRow(), $after->toRow(), []];
        foreach ($new as $key => $value) {
            if (json_encode($value) !== json_encode($old[$key] ?? null)) {
                $said[] = strtr($key, '_', ' ').': '.self::words($old[$key] ?? null).' to '.self::words($value);
            }
        }

        return mb_substr($said === [] ? 'begun' : implode('; ', $said), 0, self::LONGEST);
    }

    private static function words(mixed $value): string
    {
        return match (true) {
            $value === null, $value === '', $value === [] => 'none',
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => (string) $value,
            default => mb_substr((string) json_encode($value, JSON_UNESCAPED_UNICODE), 0, 200),
        };
    }
}
