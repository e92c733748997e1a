<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Agronomy\Lime\LimeGround;
use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Amounts\TestedValue;
use HonestCore\Analyte\Analytes;
use HonestCore\Program\Heard;
use HonestCore\Program\PartProgram;
use HonestCore\Program\PartResults;
use HonestCore\Program\ProgramChoices;
use HonestCore\Program\ShelfProduct;
use HonestCore\Program\WantedCrop;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Quantity\Extent;

/** Made-up parts and choices that the tests of programs share. */
final class Made
{
    public const TODAY = '2026-11-28';

    /**
     * @param array<string, float|array{float, string}> $tested ppm by analyte, Mehlich-3 where no extractant is given
     * @param array<string, float> $buffers
     * @param array<string, mixed> $more
     */
    public static function part(
        float $ph = 5.6,
        array $buffers = ['mehlich' => 6.1],
        array $tested = ['p' => 15.0, 'k' => 90.0, 'cec' => 8.0],
        array $more = [],
        ?Crop $wants = null,
    ): PartResults {
        $layer = DepthLayer::parse(is_string($more['layer'] ?? null) ? $more['layer'] : '0-6in');
        $lab = LabPh::of($ph, 0.1, $buffers);
        $om = $more['om'] ?? 3.0;
        $heard = [];
        foreach ($tested as $code => $given) {
            [$value, $extractant] = is_array($given) ? $given : [$given, $code === 'cec' ? '' : 'mehlich-3'];
            $heard[$code] = new Heard(
                Analytes::get($code),
                TestedValue::of($value, 0.1 * $value, $extractant, $layer),
                null,
                'FN-2026-0001, Marl Laboratory',
            );
        }
        $spread = $more['spread'] ?? [];
        $metals = $more['metals'] ?? [];
        $causes = $more['causes'] ?? [];

        return new PartResults(
            is_int($more['number'] ?? null) ? $more['number'] : 0,
            'Sedge meadow',
            Extent::ofSquareMetres(is_float($more['m2'] ?? null) ? $more['m2'] : Extent::M2_PER_ACRE),
            $layer,
            'FN-2026-0001',
            LimeAdvice::from(
                $lab,
                null,
                $wants ?? WantedCrop::of('corn')->pH(),
                new LimeGround($layer, 6.0, is_float($om) ? $om : null),
                LimeMaterial::reference(),
            ),
            $lab,
            'FN-2026-0001, Marl Laboratory',
            'lab',
            [],
            $heard,
            is_array($metals) ? $metals : [],
            [],
            array_values(array_filter(is_array($spread) ? $spread : [], is_string(...))),
            ($more['texture'] ?? 'loam') === 'sand' ? 'sand' : 'loam',
            is_bool($more['fizzes'] ?? null) ? $more['fizzes'] : null,
            is_array($causes) ? $causes : [],
            ($more['water'] ?? false) === true,
            ($more['paint'] ?? false) === true,
        );
    }

    /** @param array<string, mixed> $more */
    public static function choices(string $crop = 'corn', array $more = []): ProgramChoices
    {
        return ProgramChoices::fromRow(['crop' => $crop, 'yield' => 160, 'plant_on' => '2027-05-05', ...$more]);
    }

    /**
     * @param array<string, mixed> $choices
     * @param array<string, ShelfProduct>|null $shelf
     */
    public static function program(PartResults $part, string $crop = 'corn', array $choices = [], ?array $shelf = null): PartProgram
    {
        $wanted = WantedCrop::of($crop);

        return PartProgram::of(
            $part,
            $wanted,
            $wanted->pH(),
            self::choices($crop, $choices),
            $shelf ?? ShelfProduct::shipped(),
            new \DateTimeImmutable(self::TODAY),
        );
    }
}
