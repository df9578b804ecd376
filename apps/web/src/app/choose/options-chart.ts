import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  effect,
  ElementRef,
  inject,
  input,
  type OnDestroy,
  output,
} from '@angular/core';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import { LabelLayout } from 'echarts/features';
import { init, use, type ECharts } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import type { SoundOption } from '@core/options/choose';
import { shownUnit, type UnitSystem } from '@core/units/format-quantity';
import { POUND } from '@core/units/unit-table';
import { Lamp } from '../lamp/lamp';

use([LineChart, ScatterChart, LabelLayout, GridComponent, LegendComponent, CanvasRenderer]);

/** Shape for each weakest link, so that colour is never alone. */
const SHAPES = ['circle', 'rect', 'triangle', 'diamond', 'pin', 'arrow', 'roundRect'];
const INKS = ['--series-1', '--series-2', '--series-3', '--series-4', '--series-5', '--series-6', '--ink'] as const;

/** Sound options, mass against rough cost; the shape says the weakest link, the cross is the design as it stands. */
@Component({
  selector: 'ms-options-chart',
  template: '',
  host: { role: 'img', 'aria-label': 'Sound options by mass and rough cost; the list beside it has those nothing beats' },
  styles: ':host { display: block; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OptionsChart implements OnDestroy {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly options = input.required<readonly SoundOption[]>();
  readonly best = input.required<readonly SoundOption[]>();
  readonly current = input.required<{ mass: number; cost: number } | null>();
  readonly system = input.required<UnitSystem>();
  readonly names = input.required<(o: SoundOption) => string>();
  readonly hovered = output<SoundOption | null>();
  readonly taken = output<SoundOption>();

  private readonly lamp = inject(Lamp);
  private chart: ECharts | null = null;
  private readonly resized = new ResizeObserver(() => this.chart?.resize());

  constructor() {
    afterNextRender(() => {
      this.chart = init(this.host, null, { renderer: 'canvas' });
      this.resized.observe(this.host);
      this.chart.on('mouseover', (e) => this.hovered.emit(optionOf(e)));
      this.chart.on('mouseout', () => this.hovered.emit(null));
      this.chart.on('click', (e) => {
        const o = optionOf(e);
        if (o) this.taken.emit(o);
      });
      this.draw();
    });
    effect(() => {
      this.options();
      this.best();
      this.current();
      this.system();
      this.lamp.dark();
      this.draw();
    });
  }

  private draw(): void {
    if (!this.chart) return;
    const ink = (name: `--${string}`) => this.lamp.ink(name);
    const LABEL = { fontFamily: 'Barlow Condensed', fontSize: 14, color: ink('--ink') };
    const k = this.system() === 'inch' ? 1 / POUND : 1;
    const point = (o: SoundOption) => ({ value: [o.mass * k, o.cost], option: o });
    const kinds = [...new Set(this.options().map((o) => o.weakest))];
    const now = this.current();
    const axis = (name: string) => ({
      type: 'value' as const,
      scale: true,
      name,
      nameLocation: 'middle' as const,
      nameGap: 28,
      nameTextStyle: LABEL,
      axisLabel: { ...LABEL, fontFamily: 'Barlow' },
      axisLine: { show: true, lineStyle: { color: ink('--ink') } },
      splitLine: { lineStyle: { color: ink('--rule') } },
    });
    this.chart.setOption(
      {
        animation: false,
        grid: { left: 64, right: 16, top: 58, bottom: 46 },
        legend: { top: 2, left: 0, textStyle: LABEL, itemWidth: 12, itemHeight: 12 },
        xAxis: axis(`mass of plates and bolts, ${shownUnit('mass', this.system())}`),
        yAxis: { ...axis('rough cost'), nameGap: 40 },
        series: [
          ...kinds.map((kind, i) => ({
            name: `weakest: ${kind}`,
            type: 'scatter' as const,
            symbol: SHAPES[i % SHAPES.length]!,
            symbolSize: 6,
            large: false,
            itemStyle: { color: ink(INKS[i % INKS.length]!), opacity: 0.45 },
            data: this.options()
              .filter((o) => o.weakest === kind)
              .map(point),
          })),
          {
            name: 'nothing lighter is cheaper',
            // Joined and named: these few are what is chosen from, the rest is what they were chosen over.
            type: 'line' as const,
            symbol: 'circle',
            symbolSize: 13,
            itemStyle: { color: ink('--card'), borderColor: ink('--accent'), borderWidth: 2 },
            lineStyle: { color: ink('--accent'), width: 1.5, type: 'dashed' as const },
            label: {
              show: true,
              position: 'right' as const,
              // Clear of the dots under it: a ground of its own is not drawn beside a line’s symbols.
              textBorderColor: ink('--card'),
              textBorderWidth: 5,
              distance: 8,
              ...LABEL,
              formatter: (p: { data: unknown }) => this.names()((p.data as { option: SoundOption }).option),
            },
            labelLayout: { hideOverlap: true, moveOverlap: 'shiftY' as const },
            data: [...this.best()].sort((a, b) => a.mass - b.mass).map(point),
            z: 5,
          },
          ...(now
            ? [
                {
                  name: 'as it stands',
                  type: 'scatter' as const,
                  symbol: 'path://M0 8L8 0L20 12L32 0L40 8L28 20L40 32L32 40L20 28L8 40L0 32L12 20Z',
                  symbolSize: 15,
                  itemStyle: { color: ink('--accent'), borderColor: ink('--card'), borderWidth: 1 },
                  data: [[now.mass * k, now.cost]],
                  z: 6,
                },
              ]
            : []),
        ],
      },
      true,
    );
  }

  ngOnDestroy(): void {
    this.resized.disconnect();
    this.chart?.dispose();
  }
}

function optionOf(e: unknown): SoundOption | null {
  return (e as { data?: { option?: SoundOption } }).data?.option ?? null;
}
