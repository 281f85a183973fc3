<?php

declare(strict_types=1);

namespace App\Reports;

use App\Fittings\FittingLoader;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\PlayerLink;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\User;
use App\Words\Words;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Report\PlayerReport;

/** The report of a fitting, as a page to print and as a page on a phone: the same sentences and the same pictures. */
final readonly class PlayerPage
{
    private function __construct(
        public Fitting $fitting, public Decision $decision, public ReportText $text, public ReportPictures $pictures, public Words $words, private bool $isMadeUp,
    ) {
    }

    /** @throws ValidationException where nothing was decided */
    public static function of(Fitting $fitting, Words $words): self
    {
        $decision = $fitting->decisions()->with(['setup', 'fitter'])->first()
            ?? throw ValidationException::withMessages(['decision' => 'Nothing was decided yet: decide first.']);
        $record = (new FittingLoader($fitting))->record();
        $report = PlayerReport::of($record, $decision->advice, $decision->setup->tag);
        $units = $fitting->player->units;
        $hand = $fitting->player->hand->value;
        $ratings = Rating::meansOf($fitting)[$decision->setup_id] ?? [];

        return new self(
            $fitting, $decision, new ReportText($report, $words, $units, $ratings, $decision->reason),
            new ReportPictures($report, $words, $units, $hand),
            $words, $record->simulatedShots() > 0,
        );
    }

    /**
     * @param  bool  $isWide  as wide as paper; else as wide as a phone
     * @return array<string, mixed> what the fitter does and notes is not in it
     */
    public function toArray(bool $isWide = false): array
    {
        $t = $this->text;
        $wide = static fn (float $paper, float $phone): float => $isWide ? $paper : $phone;

        return [
            'title' => $this->title(), 'fitted' => $this->fitted(), 'lead' => $t->lead(), 'flight' => $t->flight(), 'three' => $t->three(),
            'changes' => $t->changes(),
            'gaveUp' => $t->gaveUp(), 'ratings' => $t->ratings(), 'reason' => $t->reason(), 'club' => $t->club(), 'air' => $t->air(),
            'isMadeUp' => $this->isMadeUp,
            'pictures' => [
                'flights' => $this->pictures->flights($wide(720, 360), $wide(190, 170))->svg(),
                'landing' => $this->pictures->landing($wide(440, 360), $wide(330, 270))->svg(),
                'club' => $this->pictures->club(300, 230)->svg(), 'fourteen' => $this->pictures->fourteen($wide(720, 360))->svg(),
            ],
        ];
    }

    /** @param  string|null  $roundsAddress  what the square code on paper opens */
    public function pdf(string $paper, ?string $roundsAddress): string
    {
        $with = [
            'page' => $this, 't' => $this->text, 'w' => $this->words, 'p' => $this->pictures, 'isMadeUp' => $this->isMadeUp,
            'address' => $roundsAddress,
            'code' => $roundsAddress === null ? null : SquareCode::of($roundsAddress, 62, $this->words->say('report.threeRounds')),
        ];
        // One page to frame: with much to say the pictures are drawn smaller, as far as they can still be read.
        foreach ($paper === 'Letter' ? [0.85, 0.72, 0.6, 0.5] : [1.0, 0.85, 0.7, 0.6, 0.5] as $scale) {
            [$bytes, $pages] = Pdf::made(view('report', $with + ['scale' => $scale])->render(), $paper);
            if ($pages === 1) {
                break;
            }
        }

        return $bytes;
    }

    public function title(): string
    {
        return $this->words->say('report.title', ['name' => $this->fitting->player->name]);
    }

    public function fitted(): string
    {
        return $this->words->say('report.fitted', [
            'hand' => $this->words->say("hand.{$this->fitting->player->hand->value}"),
            'date' => $this->words->date($this->decision->created_at, $this->fitting->studio->zone()),
            'by' => $this->decision->fitter->name,
        ]);
    }

    /** The link that is printed: one that is good for a while yet, or a new one. */
    public static function roundsLink(Fitting $fitting, User $by): PlayerLink
    {
        $standing = PlayerLink::query()->where('fitting_id', $fitting->id)->where('kind', 'rounds')->whereNull('revoked_at')
            ->where('ends_at', '>', now()->addDays(60))->latest('id')->first();

        return $standing?->path() !== null ? $standing : PlayerLink::grant('rounds', $fitting->player, $fitting, $by);
    }

    public function setup(): Setup
    {
        return $this->decision->setup;
    }
}
