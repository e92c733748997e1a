<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\Area;
use App\Models\SignedProgram;
use App\Models\User;
use HonestCore\FollowUp\Outlook;
use HonestCore\Program\ProgramChoices;

/** Signs a program as it was looked at. A signed one is never changed, only followed by a newer one. */
final class SignPrescription
{
    public function __construct(private readonly ComposeProgram $compose) {}

    /**
     * @param string $hash of what the signer saw
     * @param int|null $follows the program that stood then
     */
    public function __invoke(
        Area $area,
        User $signer,
        ProgramChoices $choices,
        string $hash,
        ?int $follows,
        string $note,
    ): SignedProgram {
        return AllOrNothing::of(function () use ($area, $signer, $choices, $hash, $follows, $note): SignedProgram {
            $it = ($this->compose)($area, $choices);
            $standing = SignedProgram::standingFor($area, $it->crop->code, $it->season());
            if ($standing?->id !== $follows) {
                throw Conflict::because('program_signed');
            }
            if ($it->hash !== $hash) {
                throw Conflict::because('program_moved');
            }
            if ($it->unwanted() !== [] && mb_strlen($choices->mixReason) < 10) {
                throw Conflict::because('program_unwanted', what: implode('; ', $it->unwanted()));
            }
            if (array_filter($it->gathered, static fn (GatheredPart $part): bool => $part->readings() !== []) === []) {
                throw Conflict::because('program_empty');
            }

            $outlook = Outlook::of($it->body);

            return SignedProgram::record([
                'area_id' => $area->id,
                'follows_id' => $standing?->id,
                'signed_by' => $signer->id,
                'crop' => $it->crop->code,
                'season' => $it->season(),
                'choices' => $choices,
                'body' => $it->body,
                'days' => SpreadCalendar::daysOf($it->body),
                'outlook' => $outlook,
                'corrects' => implode(',', $outlook->corrects),
                'gives_none' => implode(',', $outlook->none),
                'hash' => $it->hash,
                'note' => $note,
            ])->refresh()->shown();
        });
    }
}
