/** Where the crew works, drawn to scale: metres from the plan's lower left corner. */
export const venues = [
	{
		name: 'Tidewater Hall',
		plan: {
			ceilingM: 7.2,
			underlay: null,
			shapes: [
				{
					id: 's1',
					kind: 'wall',
					label: 'Hall',
					pointsM: [
						[0, 0],
						[26, 0],
						[26, 16],
						[0, 16],
						[0, 0]
					],
					bottomM: 0,
					topM: 7.2
				},
				{
					id: 's2',
					kind: 'obstacle',
					label: 'Piste',
					pointsM: [
						[5, 7],
						[21, 7],
						[21, 9],
						[5, 9]
					],
					bottomM: 0,
					topM: 0.4
				},
				{
					id: 's3',
					kind: 'people',
					label: 'North stand',
					pointsM: [
						[3, 12.5],
						[23, 12.5],
						[23, 15.5],
						[3, 15.5]
					],
					bottomM: 0,
					topM: 2.4
				},
				{
					id: 's4',
					kind: 'people',
					label: 'Jury table',
					pointsM: [
						[12, 1.2],
						[15.5, 1.2],
						[15.5, 2.6],
						[12, 2.6]
					],
					bottomM: 0,
					topM: 1.6
				},
				{
					id: 's5',
					kind: 'obstacle',
					label: 'Lamp truss',
					pointsM: [
						[2, 10.2],
						[24, 10.2],
						[24, 10.6],
						[2, 10.6]
					],
					bottomM: 4.6,
					topM: 5
				},
				{
					id: 's6',
					kind: 'obstacle',
					label: 'Score board',
					pointsM: [
						[21.5, 2.4],
						[23.9, 2.4],
						[23.9, 2.8],
						[21.5, 2.8]
					],
					bottomM: 1,
					topM: 3
				},
				{
					id: 's7',
					kind: 'keepOut',
					label: 'Way out',
					pointsM: [
						[0.2, 6],
						[2.4, 6],
						[2.4, 10],
						[0.2, 10]
					],
					bottomM: 0,
					topM: 200
				}
			]
		}
	},
	{
		name: 'Saltmarsh Road Chapel',
		plan: {
			ceilingM: 6.5,
			underlay: null,
			shapes: [
				{
					id: 's1',
					kind: 'wall',
					label: 'Nave',
					pointsM: [
						[0, 0],
						[18, 0],
						[18, 9],
						[0, 9],
						[0, 0]
					],
					bottomM: 0,
					topM: 6.5
				},
				{
					id: 's2',
					kind: 'people',
					label: 'Benches, left',
					pointsM: [
						[3, 5.2],
						[12, 5.2],
						[12, 8.4],
						[3, 8.4]
					],
					bottomM: 0,
					topM: 1.9
				},
				{
					id: 's3',
					kind: 'people',
					label: 'Benches, right',
					pointsM: [
						[3, 0.6],
						[12, 0.6],
						[12, 3.8],
						[3, 3.8]
					],
					bottomM: 0,
					topM: 1.9
				},
				{
					id: 's4',
					kind: 'obstacle',
					label: 'Pulpit',
					pointsM: [
						[13.6, 6.6],
						[14.8, 6.6],
						[14.8, 7.8],
						[13.6, 7.8]
					],
					bottomM: 0,
					topM: 2.3
				}
			]
		}
	},
	{
		name: 'Kettle & Loom',
		plan: {
			ceilingM: 3.1,
			underlay: null,
			shapes: [
				{
					id: 's1',
					kind: 'wall',
					label: 'Studio',
					pointsM: [
						[0, 0],
						[6.4, 0],
						[6.4, 4.8],
						[0, 4.8],
						[0, 0]
					],
					bottomM: 0,
					topM: 3.1
				},
				{
					id: 's2',
					kind: 'obstacle',
					label: 'Loom',
					pointsM: [
						[2.1, 2.9],
						[4.1, 2.9],
						[4.1, 4.1],
						[2.1, 4.1]
					],
					bottomM: 0,
					topM: 1.6
				},
				{
					id: 's3',
					kind: 'people',
					label: 'Weaver',
					pointsM: [
						[2.6, 2.15],
						[3.3, 2.15],
						[3.3, 2.75],
						[2.6, 2.75]
					],
					bottomM: 0,
					topM: 1.3
				},
				{
					id: 's4',
					kind: 'obstacle',
					label: 'Yarn shelf',
					pointsM: [
						[5.9, 0.4],
						[6.35, 0.4],
						[6.35, 3.4],
						[5.9, 3.4]
					],
					bottomM: 0,
					topM: 2.2
				},
				{
					id: 's5',
					kind: 'obstacle',
					label: 'Lamp arm',
					pointsM: [
						[1.5, 2.3],
						[2.5, 2.3],
						[2.5, 2.4],
						[1.5, 2.4]
					],
					bottomM: 1.9,
					topM: 2
				}
			]
		}
	}
] as const;
