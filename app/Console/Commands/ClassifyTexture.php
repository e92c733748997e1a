<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\BadInput;
use HonestCore\Agronomy\Texture;
use HonestCore\Table\Number;

final class ClassifyTexture extends ContractCommand
{
    protected $signature = 'texture:class
        {--sand= : percent by mass}
        {--silt= : percent by mass}
        {--clay= : percent by mass}
        {--jar= : heights of the settled layers instead: sand,silt,clay in any one unit}
        {--json : print one JSON document}';

    protected $description = 'Texture class of a soil by the USDA triangle';

    protected function facts(): array
    {
        $jar = $this->text('jar');
        if ($jar === null) {
            return Texture::ofPercent(
                $this->requiredNumber('sand'),
                $this->requiredNumber('silt'),
                $this->requiredNumber('clay'),
            )->toArray();
        }
        foreach (['sand', 'silt', 'clay'] as $option) {
            if ($this->option($option) !== null) {
                throw BadInput::because(
                    "--{$option}",
                    'it does not go with --jar',
                    'either --jar or all of --sand, --silt, --clay',
                );
            }
        }
        $heights = array_map(Number::parse(...), explode(',', $jar));
        if (count($heights) !== 3 || in_array(null, $heights, true)) {
            throw BadInput::because('--jar', "\"{$jar}\" is not three heights", 'sand,silt,clay such as 30,15,5');
        }

        return Texture::ofLayers(...$heights)->toArray();
    }
}
