<?php

declare(strict_types=1);

namespace App\Actions\Custody;

use App\Database\AllOrNothing;
use App\Exceptions\RefusedRows;
use App\Models\CustodyLine;
use App\Models\Portion;
use App\Models\User;
use HonestCore\Custody\CustodyTrail;
use HonestCore\Custody\StorageClock;
use HonestCore\Custody\TrailLine;
use HonestCore\Error\ImpossibleStep;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** Writes one line into the trail of each portion, or none into any: all the steps must be possible. */
final class WriteLines
{
    public function __construct(private readonly FollowsTrails $follow) {}

    /**
     * @param Collection<int, Portion> $portions
     * @param array{submission: string, step: string, at: Carbon, place: string, condition: string,
     *     celsius: float|null, corrects?: string|null} $line
     * @return list<string> what is to be said of it
     *
     * @throws RefusedRows
     */
    public function __invoke(User $author, Collection $portions, array $line): array
    {
        return AllOrNothing::of(function () use ($author, $portions, $line): array {
            [$refused, $said] = [[], []];
            $row = 0;
            foreach ($portions->load('lines') as $portion) {
                $row++;
                try {
                    array_push($said, ...$this->write($author, $portion, $line));
                } catch (ImpossibleStep $error) {
                    $refused[] = ['row' => $row, 'field' => 'codes', 'message' => $error->forPeople()];
                }
            }

            if ($refused === []) {
                $this->follow->follow($portions);
            }

            return $refused === [] ? $said : throw new RefusedRows($refused, self::message($refused));
        });
    }

    /**
     * @param array{submission: string, step: string, at: Carbon, place: string, condition: string,
     *     celsius: float|null, corrects?: string|null} $line
     * @return list<string>
     */
    private function write(User $author, Portion $portion, array $line): array
    {
        $uuid = "{$line['submission']}:{$portion->id}";
        $written = $portion->written();
        if (in_array($uuid, array_column($written, 'id'), true)) {
            return [];
        }
        $next = new TrailLine(
            $uuid,
            $line['step'],
            $line['at']->getTimestamp(),
            $line['place'],
            $line['condition'],
            $line['celsius'],
            $line['corrects'] ?? null,
        );
        $trail = CustodyTrail::with($portion->code, $written, $next, now()->getTimestamp());
        CustodyLine::query()->create([
            'portion_id' => $portion->id,
            'created_by' => $author->id,
            'uuid' => $uuid,
            'step' => $next->step,
            'at' => $line['at']->copy()->utc(),
            'place' => $next->place,
            'condition' => $next->condition,
            'celsius' => $next->celsius,
            'corrects' => $next->correctsId,
        ]);
        $clock = $portion->clock($trail);
        $portion->update([
            'state' => $trail->state(),
            'place' => $trail->place(),
            'state_at' => Carbon::createFromTimestampUTC($trail->last()->at),
            'deadline_at' => $clock->deadline === null ? null : Carbon::createFromTimestampUTC($clock->deadline),
        ]);

        return array_values(
            array_filter([$this->afterDrying($trail), $clock->over ? "{$portion->code}: {$clock->rule}" : '']),
        );
    }

    /** @param non-empty-list<array{row: int, field: string, message: string}> $refused */
    private static function message(array $refused): string
    {
        return (count($refused) === 1
            ? $refused[0]['message']
            : count($refused).' of the portions cannot take this step.').' Nothing was written.';
    }

    private function afterDrying(CustodyTrail $trail): string
    {
        [$spread, $dry] = [$trail->timeOf('drying'), $trail->timeOf('dried')];

        return $trail->state() === 'dried' && $spread !== null && $dry !== null
            ? StorageClock::afterDrying($dry - $spread)
            : '';
    }
}
