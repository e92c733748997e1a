<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\Analytes;
use HonestCore\Analyte\SoilUnit;
use HonestCore\Error\BadTable;

/**
 * What one column of a lab's file holds: understood from its name, or said by a person.
 *
 * Domain: `unit` is a code of data/soil-units.json or empty where none is known; `form` is one of the analyte's.
 */
final readonly class ReportColumn
{
    private const FIELDS = ['form', 'unit', 'extractant', 'instrument'];

    /**
     * @param string $why why a column that is left alone is no result; empty where there is nothing to say
     * @param string $unread a unit that is written and not understood
     * @param string $askForm what the form was taken for, where that is a guess
     * @param string $askExtractant likewise
     * @param bool $plainMoles moles that are not said to be moles of charge
     * @param string $layer a layer that the name itself says
     * @param bool $confirmed did a person say that it is so?
     */
    public function __construct(
        public string $name,
        public ColumnRole $role,
        public string $analyte = '',
        public string $form = '',
        public string $unit = '',
        public string $extractant = '',
        public string $instrument = '',
        public string $why = '',
        public string $unread = '',
        public string $askForm = '',
        public string $askExtractant = '',
        public bool $plainMoles = false,
        public string $layer = '',
        public bool $confirmed = false,
        public string $guessedRole = '',
    ) {}

    /** @param array<string, mixed> $changes by the name of a field */
    public function with(array $changes): self
    {
        /** @var array{name: string, role: ColumnRole} $fields */
        $fields = [...get_object_vars($this), ...$changes];

        return new self(...$fields);
    }

    public function known(): ?Analyte
    {
        return Analytes::find($this->analyte);
    }

    public function isResult(): bool
    {
        return $this->role === ColumnRole::Result;
    }

    /**
     * What the column leaves open, the worst first; nothing where a person has said what it is, but for a unit that is
     * still missing.
     *
     * @return list<Doubt>
     */
    public function doubts(): array
    {
        $known = $this->known();
        if ($this->guessedRole !== '') {
            return $this->confirmed ? [] : [new Doubt('sample', "\"{$this->name}\": {$this->guessedRole}", false)];
        }
        if (! $this->isResult() || $known === null) {
            return [];
        }
        $doubts = [...$this->unitDoubts($known), ...$this->confirmed ? [] : $this->otherDoubts($known)];
        usort($doubts, static fn (Doubt $a, Doubt $b): int => $b->hides <=> $a->hides);

        return $doubts;
    }

    /** @return list<Doubt> */
    private function unitDoubts(Analyte $known): array
    {
        $place = "\"{$this->name}\"";
        if ($this->unread !== '' && ! $this->confirmed) {
            return [
                new Doubt('unit', "{$place}: the unit \"{$this->unread}\" is not understood; say which it is.", true),
            ];
        }
        if ($this->unit === '') {
            return $known->isUnitless()
                ? []
                : [
                    new Doubt(
                        'unit',
                        "{$place}: no unit that is known is written for {$known->name}; say which it is.",
                        true,
                    ),
                ];
        }
        $unit = SoilUnit::named($this->unit);
        if (! $unit->fits($this->analyte) && ! ($known->isShare() && $unit->code === 'percent')) {
            return [
                new Doubt(
                    'misfit',
                    "{$place}: {$known->name} cannot be given in {$unit->code}; say what the column is, or its unit.",
                    true,
                ),
            ];
        }

        return [];
    }

    /**
     * @param array<array-key, mixed> $given
     * @return array<value-of<self::FIELDS>, string>
     *
     * @throws BadTable
     */
    private static function texts(array $given, string $name): array
    {
        $texts = [];
        foreach (self::FIELDS as $field) {
            $text = $given[$field] ?? '';
            if (! is_string($text) || mb_strlen($text) > 40) {
                throw new BadTable('mapping_field_no_text', ['name' => $name, 'field' => $field]);
            }
            $texts[$field] = $text;
        }

        return $texts;
    }

    /** @return list<Doubt> */
    private function otherDoubts(Analyte $known): array
    {
        [$place, $doubts] = ["\"{$this->name}\"", []];
        if ($this->askForm !== '') {
            $doubts[] = new Doubt(
                'form',
                "{$place}: is it {$this->askForm}?".($this->form === '' ? '' : " Taken as {$this->form}."),
                $this->form === '',
            );
        }
        if ($this->analyte === 'buffer_ph' && $this->extractant === '') {
            $doubts[] = new Doubt(
                'buffer',
                "{$place}: which buffer is it? One school's buffer never stands in for another's.",
                true,
            );
        }
        if ($known->needsExtractant && $this->extractant === '') {
            $doubts[] = new Doubt('extractant', "{$place}: by which extractant? Limits belong to one.", false);
        }
        if ($this->askExtractant !== '') {
            $doubts[] = new Doubt('extractant', "{$place}: {$this->askExtractant}. Is it so?", false);
        }

        return [...$doubts, ...$this->guesses($known)];
    }

    /**
     * What was taken as the likelier of two and is shown.
     *
     * @return list<Doubt>
     */
    private function guesses(Analyte $known): array
    {
        [$place, $doubts] = ["\"{$this->name}\"", []];
        if ($this->unit !== '' && SoilUnit::named($this->unit)->isByVolume()) {
            $doubts[] = new Doubt(
                'scooped',
                "{$place}: {$this->unit} is by volume of soil; taken at 1 kg a litre.",
                false,
            );
        }
        if ($this->plainMoles && ($known->charge ?? 1) > 1) {
            $doubts[] = new Doubt(
                'moles',
                "{$place}: moles, or moles of charge? Taken as moles of charge; of {$known->name} itself it would ".
                    "be {$known->charge} times as much.",
                false,
            );
        }
        if ($this->layer !== '') {
            $doubts[] = new Doubt(
                'layer',
                "{$place}: the name says a layer of its own, {$this->layer}. Is it the sample's?",
                false,
            );
        }

        return $doubts;
    }

    /** Is there a doubt that hides what its numbers are? */
    public function isHidden(): bool
    {
        return array_filter($this->doubts(), static fn (Doubt $doubt): bool => $doubt->hides) !== [];
    }

    /**
     * @return array{name: string, role: string, analyte: string|null, form: string, unit: string, extractant: string,
     * instrument: string, confirmed: bool}
     */
    public function toArray(): array
    {
        return [
            'name' => $this->name,
            'role' => $this->role->value,
            'analyte' => $this->analyte === '' ? null : $this->analyte,
            'form' => $this->form,
            'unit' => $this->unit,
            'extractant' => $this->extractant,
            'instrument' => $this->instrument,
            'confirmed' => $this->confirmed,
        ];
    }

    /**
     * A column as it was kept or as a person said it.
     *
     * @throws BadTable for what is none
     */
    public static function fromArray(mixed $given, string $name): self
    {
        $role = is_array($given) && is_string($given['role'] ?? null) ? ColumnRole::tryFrom($given['role']) : null;
        if (! is_array($given) || $role === null) {
            throw new BadTable('mapping_role_unknown', ['name' => $name]);
        }
        $analyte = $given['analyte'] ?? '';
        $texts = self::texts($given, $name);
        if (
            ! is_string($analyte) ||
            (in_array($role, [ColumnRole::Result, ColumnRole::Rating], true) && Analytes::find($analyte) === null)
        ) {
            throw new BadTable('mapping_analyte_unknown', [
                'name' => $name,
                'known' => implode(', ', array_keys(Analytes::all())),
            ]);
        }
        $unit = $texts['unit'] === '' ? '' : SoilUnit::named($texts['unit'])->code;

        return new self(
            $name,
            $role,
            $analyte,
            $texts['form'],
            $unit,
            $texts['extractant'],
            $texts['instrument'],
            confirmed: ($given['confirmed'] ?? false) === true,
        );
    }
}
