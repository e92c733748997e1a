<?php

declare(strict_types=1);

namespace App\Actions\Custody;

use App\Database\Values;
use App\Exceptions\RefusedRows;
use App\Models\Portion;
use App\Models\Sample;
use HonestCore\Custody\CheckCharacter;
use HonestCore\Custody\ProbableCodes;
use Illuminate\Database\Eloquent\Collection;

/**
 * The portions that codes name, as scanned or typed; a code that names none is refused with the one that was probably
 * meant.
 */
final class FindPortions
{
    /**
     * @param list<string> $typed
     * @return Collection<int, Portion> in the order of the codes, each once
     *
     * @throws RefusedRows
     */
    public function __invoke(array $typed): Collection
    {
        $codes = array_map(ProbableCodes::tidy(...), $typed);
        $known = Portion::query()->whereIn('code', $codes)->get()->keyBy('code');
        [$found, $refused] = [[], []];
        foreach ($codes as $i => $code) {
            $portion = $known->get($code);
            if ($portion === null) {
                $refused[] = ['row' => $i + 1, 'field' => 'codes', 'message' => $this->unknown($typed[$i], $code)];
            } else {
                $found[$portion->id] = $portion;
            }
        }

        return $refused === []
            ? new Collection(array_values($found))
            : throw new RefusedRows(
                $refused,
                (count($refused) === 1 ? $refused[0]['message'] : count($refused).' codes name no portion.').
                    ' Nothing was written.',
            );
    }

    private function unknown(string $typed, string $code): string
    {
        $sample = Sample::query()->where('code', $code)->with('portions:id,sample_id,code')->first();
        if ($sample !== null) {
            return "{$code} is a composite, not a portion; accepted are the codes of its bags: ".
                $sample->portions->pluck('code')->implode(', ').
                '.';
        }
        $meant = Portion::query()
            ->whereIn('code', array_slice(ProbableCodes::of($code), 0, 900))
            ->orderByDesc('id')
            ->limit(3)
            ->pluck('code')
            ->all();
        $guess = $meant === [] ? '' : ' Probably meant: '.implode(' or ', Values::texts($meant)).'.';

        return CheckCharacter::fits($code)
            ? "\"{$typed}\" is no portion of this team.{$guess}"
            : "\"{$typed}\" does not fit its check character, so a letter or digit is wrong.{$guess}".
                    ($guess === '' ? ' Accepted is a code as printed on the label.' : '');
    }
}
