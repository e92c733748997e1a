<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use App\Models\PracticeRound;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Bench\MethodScale;
use HonestCore\Bench\PracticeScore;
use HonestCore\Bench\ScaleKind;
use HonestCore\Colour\LabColour;
use HonestCore\Colour\Srgb;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Known tubes, mixed, for a reader to read: on the screen, or filled at the bench by somebody else. */
final class Practise
{
    /** Tubes on the screen differ a little in shade, as real ones do: this much in each of L*, a* and b*. */
    private const SHADE = 1.5;

    /** @param list<float> $known */
    public function start(
        TestMethod $method,
        User $author,
        string $reader,
        string $source,
        array $known,
        int $copies,
    ): PracticeRound {
        $scale = $method->current?->parsed()->scale;
        if ($scale?->bands === null || $scale->kind !== ScaleKind::Bands) {
            throw Conflict::because('not_read_off_a_card', method: $method->name);
        }
        $random = new Randomizer(new Mt19937(random_int(1, 2_000_000_000)));
        if ($source === 'screen') {
            $known = self::spread($scale, $random);
        } elseif (count($known) < 2) {
            throw Refused::because('tubes_without_values');
        }
        $tubes = [];
        foreach ($known as $value) {
            for ($i = 0; $i < $copies; $i++) {
                $tubes[] = [
                    'known' => $value,
                    'hex' => $source === 'screen' ? self::tube($scale, $value, $random) : null,
                ];
            }
        }

        return PracticeRound::query()->create([
            'method_id' => $method->id,
            'created_by' => $author->id,
            'reader' => $reader,
            'source' => $source,
            'tubes' => array_values($random->shuffleArray($tubes)),
        ]);
    }

    /** @param list<array{band: string, between: string|null}> $answers */
    public function answer(PracticeRound $round, array $answers): PracticeRound
    {
        return AllOrNothing::of(static function () use ($round, $answers): PracticeRound {
            $round = PracticeRound::query()->with('method.current')->findOrFail($round->id);
            if ($round->answers !== null) {
                throw Conflict::because('round_read');
            }
            if (count($answers) !== count($round->tubes)) {
                throw Refused::because('answers_unlike_tubes', answers: count($answers), tubes: count($round->tubes));
            }
            $scale = $round->method->current?->parsed()->scale;
            if ($scale?->bands === null) {
                throw Conflict::because('bands_gone');
            }
            $readings = [];
            foreach ($answers as $i => $answer) {
                $read = $scale->read($answer['band'], $answer['between']);
                $readings[] = [
                    'known' => (float) $round->tubes[$i]['known'],
                    'band' => (string) $read->band,
                    'between' => $read->between,
                ];
            }
            $score = PracticeScore::of($scale->bands, $readings);
            $round->update([
                'answers' => $answers,
                'score' => $score->toArray(),
            ]);

            return $round;
        });
    }

    /** @return non-empty-list<float> a value in each closed band with a colour */
    private static function spread(MethodScale $scale, Randomizer $random): array
    {
        $known = [];
        foreach ($scale->bands->bands ?? [] as $band) {
            if (! $band->isOpen() && isset($scale->colours[$band->name])) {
                $known[] = round($band->lower + (($band->upper - $band->lower) * $random->getInt(15, 85)) / 100, 2);
            }
        }

        return count($known) >= 2
            ? $known
            : throw Conflict::because('card_without_colours');
    }

    /** The colour between the middles of the swatches beside a value, a little off in shade. */
    private static function tube(MethodScale $scale, float $value, Randomizer $random): string
    {
        [$below, $above] = [null, null];
        foreach ($scale->bands->bands ?? [] as $band) {
            $middle = $band->middle();
            if ($middle !== null && isset($scale->colours[$band->name])) {
                $below = $middle <= $value || $below === null ? [$middle, $scale->colours[$band->name]] : $below;
                $above = $middle > $value && $above === null ? [$middle, $scale->colours[$band->name]] : $above;
            }
        }
        [$from, $one] = $below ?? throw new \LogicException('The scale has colours.');
        [$to, $other] = $above ?? [$from, $one];
        // Before the first middle and past the last one there is one swatch only.
        $share = $to > $from ? min(1.0, max(0.0, ($value - $from) / ($to - $from))) : 0.0;
        $mix = static fn (float $a, float $b): float => $a +
            ($b - $a) * $share +
            (self::SHADE * $random->getInt(-100, 100)) / 100;

        return Srgb::hex(
            Srgb::ofLab(
                LabColour::of(
                    min(100.0, max(0.0, $mix($one->lightness, $other->lightness))),
                    $mix($one->a, $other->a),
                    $mix($one->b, $other->b),
                ),
            ),
        );
    }
}
