import { Component } from '@angular/core';
@Component({ selector: 'ft-x-TuckScreen', template: '' })
export class TuckScreen {}
